import { expose } from "comlink";
import { createLive } from "./host.ts";

expose(createLive());
