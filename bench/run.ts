import { benchApiRead } from "./api-read.ts";

await benchApiRead();
