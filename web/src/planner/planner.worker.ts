import { expose } from "comlink";
import { createPlanner } from "./planner.ts";

expose(createPlanner());
