import { benchApiRead } from "./api-read.ts";
import { benchAssignment } from "./assignment.ts";

await benchAssignment();
await benchApiRead();
