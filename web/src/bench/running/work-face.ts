import { selectorsOf, terminalNode, type Core, type Subject, type TwinFault } from "@anvilcloud/core";
import type { Running } from "./use-running.ts";

type LinkFault = Extract<TwinFault, { kind: "link-in" | "link-out" }>;

const linkFaults = (faults: readonly TwinFault[]): LinkFault[] =>
  faults.filter((fault): fault is LinkFault => fault.kind === "link-in" || fault.kind === "link-out");

/** Links as they are just now: those of the job, less and more what was done here. */
export function linksNow({ info, news }: Pick<Running, "info" | "news">): Running["info"]["links"] {
  const changed = linkFaults(news.faults).map(
    ({ kind, link }) => [link, kind === "link-in" ? "in" : "out"] as const,
  );
  return { ...info.links, ...Object.fromEntries(changed) };
}

type CoreFault = Extract<TwinFault, { kind: "core-off" | "core-elsewhere" }>;

const isOfCore = (fault: TwinFault): fault is CoreFault =>
  fault.kind === "core-off" || fault.kind === "core-elsewhere";

const isOf = ({ from }: Core, { device, pin }: { device: string; pin: string }): boolean =>
  from.kind === "pin" && from.device === device && from.pin === pin;

/** Cores as they are just now: those of the job, less what is off, and what sits elsewhere there. */
export function coresNow({ info, news }: Pick<Running, "info" | "news">): Core[] {
  const moved = news.faults.filter(isOfCore);
  return info.cores.flatMap((core): Core[] => {
    const fault = moved.find((each) => isOf(core, each));
    if (!fault) return [core];
    return fault.kind === "core-off" ? [] : [{ ...core, to: terminalNode(fault.terminal) }];
  });
}

/** Puts a core on a terminal, takes it off where none is named, or back where it belongs. */
export function moveCore(
  { news, does }: Running,
  { device, pin }: { device: string; pin: string },
  to: { terminal: string } | "off" | "planned",
): void {
  const others = news.faults.filter(
    (fault) => !(isOfCore(fault) && fault.device === device && fault.pin === pin),
  );
  const put: TwinFault[] =
    to === "planned"
      ? []
      : [to === "off" ? { kind: "core-off", device, pin } : { kind: "core-elsewhere", device, pin, ...to }];
  does({ faults: [...others, ...put] });
}

/** What a touch of a part of the face does: switches flip, slides and jumpers move on, links come in and out. */
export function workPart(running: Running, { kind, id }: Subject): void {
  const { info, news, does } = running;
  if (kind === "link") {
    const is = linksNow(running)[id] === "in";
    const others = news.faults.filter((fault) => !("link" in fault && fault.link === id));
    does({ faults: [...others, { kind: is ? "link-out" : "link-in", link: id }] });
    return;
  }
  const control = selectorsOf(info.board).find((each) => each.id === id);
  if (!control || !["switch", "slide", "jumper"].includes(kind)) return;
  const { positions } = control;
  const at = positions.indexOf(news.positions.switches[id] ?? "");
  does({ do: { set: { control: id, to: positions[(at + 1) % positions.length]! } } });
}
