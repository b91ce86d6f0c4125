import { benchApiRead } from "./api-read.ts";
import { benchAssignment } from "./assignment.ts";
import { benchKeyPath } from "./key-path.ts";
import { benchLongTasks } from "./long-tasks.ts";
import { benchLiveFrames } from "./live-frames.ts";
import { benchManyKeys } from "./many-keys.ts";
import { benchTwin } from "./twin.ts";
import { benchUnderLoad } from "./under-load.ts";
import { benchWholePlan } from "./whole-plan.ts";

await benchAssignment();
await benchKeyPath();
await benchWholePlan();
await benchTwin();
await benchApiRead();
await benchLongTasks();
await benchLiveFrames();
await benchManyKeys();
await benchUnderLoad();
