import { useRef } from "react";
import type { LiveInfo } from "../../planner/index.ts";
import { useFrames, type Watch } from "../running/use-running.ts";
import { put } from "./parts.tsx";

interface Props {
  watch: Watch;
  fields: LiveInfo["fields"];
  /** How a field is drawn between two places along the road. */
  shape: (from: number, to: number, at: number) => { d: string; beam: boolean };
}

/** A field of this length along the road is a beam; a longer one is a loop, or what a sensor sees, m. */
export const isBeam = (from: number, to: number): boolean => to - from < 0.5;

/** What notices who comes: drawn once, and marked while someone is in it. */
export function Fields({ watch, fields, shape }: Props) {
  const drawn = useRef<(SVGPathElement | null)[]>([]);
  useFrames(watch, ({ worked }) => {
    fields.forEach(({ key }, n) => put(drawn.current[n], { "data-tripped": String(worked.includes(key)) }));
  });
  return (
    <g aria-hidden>
      {fields.map(({ key, from, to }, n) => {
        const { d, beam } = shape(from, to, n);
        return (
          <path
            key={key}
            ref={(element) => void (drawn.current[n] = element)}
            className={beam ? "beam" : "field"}
            d={d}
          />
        );
      })}
    </g>
  );
}
