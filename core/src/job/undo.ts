import type { BehaviourId } from "../board/index.ts";
import { applyEdit, type JobEdit } from "./edit.ts";
import type { Job } from "./schema.ts";

const wishAgain = (job: Job, behaviour: BehaviourId): JobEdit => ({
  kind: "wish",
  behaviour,
  value: job.wishes[behaviour],
});

const overruledAgain = (job: Job): JobEdit[] =>
  (job.overruled ?? []).map((behaviour) => ({
    kind: "overrule",
    behaviour,
    value: job.wishes[behaviour],
  }));

/**
 * The edits that take an edit back, from the job as it was before; made on the job as it stands later, they leave alone what
 * was changed since. Undefined for an edit of fields, which are taken back where they are typed.
 */
export function undoEdits(before: Job, edit: JobEdit): JobEdit[] | undefined {
  switch (edit.kind) {
    case "add-device": {
      const added = applyEdit(before, edit).devices.at(edit.at ?? -1);
      return added && [{ kind: "remove-device", device: added.id }];
    }
    case "remove-device": {
      const at = before.devices.findIndex(({ id }) => id === edit.device);
      const device = before.devices[at];
      return device && [{ kind: "add-device", device, at }];
    }
    case "change-device": {
      const device = before.devices.find(({ id }) => id === edit.device.id);
      return device && [{ kind: "change-device", device }];
    }
    case "wish":
      return [wishAgain(before, edit.behaviour)];
    case "overrule":
      return before.overruled?.includes(edit.behaviour)
        ? [{ kind: "overrule", behaviour: edit.behaviour, value: before.wishes[edit.behaviour] }]
        : [{ kind: "overrule", behaviour: edit.behaviour }, wishAgain(before, edit.behaviour)];
    case "preset":
      return [
        { kind: "preset", ...(before.preset ? { preset: before.preset } : {}), wishes: before.wishes },
        ...overruledAgain(before),
      ];
    case "confirm":
      return [{ kind: "assume", what: edit.what }];
    default:
      return undefined;
  }
}
