import { benchApiRead } from "./api-read.ts";
import { benchAssignment } from "./assignment.ts";
import { benchLongTasks } from "./long-tasks.ts";
import { benchWholePlan } from "./whole-plan.ts";

await benchAssignment();
await benchWholePlan();
await benchApiRead();
await benchLongTasks();
