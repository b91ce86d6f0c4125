import {
  clockToDegrees,
  sweepDegrees,
  terminalsOf,
  type BoardProfile,
  type Dial,
  type Lamp,
  type LampState,
  type Subject,
} from "@anvilcloud/core";
import { font, lampColour, plate } from "../theme/index.ts";
import { isUpper, sizes } from "./geometry.ts";
import { usePart } from "./use-part.ts";

/** Text printed on the plate. */
function Print({
  x,
  y,
  children,
  size = 4,
  faint,
  anchor = "middle",
}: {
  x: number;
  y: number;
  children: string;
  size?: number;
  faint?: boolean;
  anchor?: "start" | "middle" | "end";
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor={anchor}
      fill={faint ? plate.faint : plate.print}
      fontFamily={font.text}
      fontWeight={600}
    >
      {children}
    </text>
  );
}

function Ring({ lit, x, y, r }: { lit: boolean; x: number; y: number; r: number }) {
  return (
    <circle
      cx={x}
      cy={y}
      r={r}
      fill="none"
      stroke={plate.brass}
      strokeWidth={lit ? 1.1 : 0}
      pointerEvents="none"
    />
  );
}

/** One clamp of a terminal block with its number and label. */
function TerminalPart({
  terminal,
  board,
}: {
  terminal: ReturnType<typeof terminalsOf>[number];
  board: BoardProfile;
}) {
  const { props, lit } = usePart(
    { kind: "terminal", id: terminal.id },
    `Terminal ${terminal.id}, ${terminal.block.label}, ${terminal.label}`,
  );
  const { x, y } = terminal.at;
  const upper = isUpper(board, y);
  const inward = upper ? 1 : -1;
  return (
    <g {...props}>
      <rect
        x={x - terminal.block.pitchMm / 2}
        y={y - sizes.blockHeight / 2}
        width={terminal.block.pitchMm}
        height={sizes.blockHeight}
        fill="transparent"
      />
      <circle cx={x} cy={y - inward * 2.4} r={2} fill={plate.screw} />
      <line
        x1={x - 1.4}
        y1={y - inward * 2.4 - 0.9}
        x2={x + 1.4}
        y2={y - inward * 2.4 + 0.9}
        stroke={plate.slot}
        strokeWidth={0.7}
      />
      <text
        x={x}
        y={y + inward * 2.9 + 1.3}
        fontSize={3.5}
        textAnchor="middle"
        fill={plate.print}
        fontFamily={font.mono}
        fontWeight={700}
      >
        {terminal.id}
      </text>
      <Print x={x} y={y + inward * (sizes.blockHeight / 2 + 3.4) + 1.2} size={3.4}>
        {terminal.label}
      </Print>
      <rect
        x={x - terminal.block.pitchMm / 2 + 0.3}
        y={y - sizes.blockHeight / 2 - 0.6}
        width={terminal.block.pitchMm - 0.6}
        height={sizes.blockHeight + 1.2}
        rx={1.4}
        fill="none"
        stroke={plate.brass}
        strokeWidth={lit ? 1.1 : 0}
        pointerEvents="none"
      />
    </g>
  );
}

/** The terminal blocks. */
export function Terminals({ board }: { board: BoardProfile }) {
  return (
    <g>
      {board.blocks.map((block) => {
        const width = block.terminals.length * block.pitchMm;
        const upper = isUpper(board, block.at.y);
        return (
          <g key={block.id}>
            <rect
              x={block.at.x}
              y={block.at.y - sizes.blockHeight / 2}
              width={width}
              height={sizes.blockHeight}
              rx={1.2}
              fill={block.purpose === "mains" ? plate.mains : plate.block}
              stroke={plate.faint}
              strokeWidth={0.4}
            />
            <Print x={block.at.x} y={block.at.y + (upper ? 15.8 : -12.4)} size={3.3} faint anchor="start">
              {block.label}
            </Print>
          </g>
        );
      })}
      {terminalsOf(board).map((terminal) => (
        <TerminalPart key={terminal.id} terminal={terminal} board={board} />
      ))}
    </g>
  );
}

function LinkPart({
  board,
  id,
  between,
  isIn,
}: {
  board: BoardProfile;
  id: string;
  between: readonly [string, string];
  isIn: boolean;
}) {
  const { props, lit } = usePart(
    { kind: "link", id },
    `Link ${between.join(" to ")}, ${isIn ? "in" : "out"}`,
  );
  const all = terminalsOf(board);
  const a = all.find((terminal) => terminal.id === between[0]);
  const b = all.find((terminal) => terminal.id === between[1]);
  if (!a || !b) return null;
  const rise = isUpper(board, a.at.y) ? -1 : 1;
  const y = a.at.y + rise * (sizes.blockHeight / 2 - 0.6);
  const depth = rise * (2.2 + Math.abs(b.at.x - a.at.x) * 0.16);
  const path = `M${a.at.x} ${y} C${a.at.x} ${y + depth * 1.4} ${b.at.x} ${y + depth * 1.4} ${b.at.x} ${y}`;
  return (
    <g {...props}>
      <path
        d={path}
        fill="none"
        stroke={lit ? plate.brass : isIn ? plate.print : plate.faint}
        strokeWidth={isIn ? 1.7 : 0.6}
        strokeDasharray={isIn ? undefined : "1.4 1.4"}
        strokeLinecap="round"
      />
    </g>
  );
}

/** Links: a bold bridge when in, a thin broken line where one is out. */
export function Links({
  board,
  links,
}: {
  board: BoardProfile;
  links: Readonly<Record<string, "in" | "out">>;
}) {
  return (
    <g>
      {board.links.map((link) => (
        <LinkPart
          key={link.id}
          board={board}
          id={link.id}
          between={link.between}
          isIn={links[link.id] === "in"}
        />
      ))}
    </g>
  );
}

const lampWord: Record<LampState, string> = { lit: "lit", blinking: "blinking", dark: "dark" };

/** A lamp's body: rays and a full disc when lit, half a disc when blinking, an empty ring when dark. */
export function LampShape({
  colour,
  is,
  r = sizes.lamp,
}: {
  colour: Lamp["colour"];
  is: LampState;
  r?: number;
}) {
  const fill = lampColour[colour];
  const rays = [0, 45, 90, 135, 180, 225, 270, 315];
  return (
    <g className={is === "blinking" ? "blinking" : undefined}>
      {is !== "dark" &&
        rays.map((angle) => (
          <line
            key={angle}
            x1={0}
            y1={-r * 1.3}
            x2={0}
            y2={-r * 1.75}
            stroke={fill}
            strokeWidth={r * 0.22}
            transform={`rotate(${angle})`}
            strokeDasharray={is === "blinking" ? `${r * 0.15} ${r * 0.15}` : undefined}
          />
        ))}
      <circle
        r={r}
        fill={is === "lit" ? fill : plate.slot}
        stroke={is === "dark" ? plate.faint : fill}
        strokeWidth={r * 0.22}
      />
      {is === "blinking" && <path d={`M0 ${-r} A${r} ${r} 0 0 1 0 ${r} Z`} fill={fill} />}
    </g>
  );
}

function LampPart({ lamp, is }: { lamp: Lamp; is: LampState }) {
  const { props, lit } = usePart(
    { kind: "lamp", id: lamp.id },
    `Lamp ${lamp.label}, ${lamp.colour}, ${lampWord[is]}`,
  );
  return (
    <g {...props}>
      <g transform={`translate(${lamp.at.x} ${lamp.at.y})`}>
        <circle r={4.4} fill="transparent" />
        <LampShape colour={lamp.colour} is={is} />
      </g>
      <Print x={lamp.at.x} y={lamp.at.y + 7.4} size={3.2}>
        {lamp.label}
      </Print>
      <Ring lit={lit} x={lamp.at.x} y={lamp.at.y} r={5} />
    </g>
  );
}

export function Lamps({ board, lamps }: { board: BoardProfile; lamps: Readonly<Record<string, LampState>> }) {
  return (
    <g>
      {board.lamps.map((lamp) => (
        <LampPart key={lamp.id} lamp={lamp} is={lamps[lamp.id] ?? "dark"} />
      ))}
    </g>
  );
}

/** A dial with its sweep, its arrow, and where wanted a second arrow where it stood. */
export function DialShape({
  dial,
  clock,
  ghost,
  r = sizes.dial,
}: {
  dial: Dial;
  clock: string;
  ghost?: string;
  r?: number;
}) {
  const start = clockToDegrees(dial.sweep.from);
  const turned = sweepDegrees(dial.sweep);
  const point = (degrees: number, radius: number) => {
    const angle = ((degrees - 90) * Math.PI) / 180;
    return `${radius * Math.cos(angle)} ${radius * Math.sin(angle)}`;
  };
  const arc = (radius: number) =>
    `M${point(start, radius)} A${radius} ${radius} 0 ${turned > 180 ? 1 : 0} 1 ${point(start + turned, radius)}`;
  const arrow = (at: string) => clockToDegrees(at);
  return (
    <g>
      <circle r={r} fill={plate.block} stroke={plate.faint} strokeWidth={r * 0.08} />
      <path d={arc(r * 1.22)} fill="none" stroke={plate.faint} strokeWidth={r * 0.12} />
      {Array.from({ length: 12 }, (_, hour) => hour * 30)
        .filter((degrees) => (degrees - start + 360) % 360 <= turned)
        .map((degrees) => (
          <line
            key={degrees}
            x1={0}
            x2={0}
            y1={-r * 1.16}
            y2={-r * 1.34}
            stroke={plate.print}
            strokeWidth={r * 0.08}
            transform={`rotate(${degrees})`}
          />
        ))}
      {ghost && ghost !== clock && (
        <line
          x1={0}
          y1={0}
          x2={0}
          y2={-r * 0.82}
          stroke={plate.faint}
          strokeWidth={r * 0.16}
          strokeDasharray={`${r * 0.2} ${r * 0.16}`}
          transform={`rotate(${arrow(ghost)})`}
        />
      )}
      <g transform={`rotate(${arrow(clock)})`}>
        <line
          x1={0}
          y1={r * 0.5}
          x2={0}
          y2={-r * 0.55}
          stroke={plate.knob}
          strokeWidth={r * 0.2}
          strokeLinecap="round"
        />
        <path
          d={`M0 ${-r * 0.95} L${r * 0.26} ${-r * 0.42} L${-r * 0.26} ${-r * 0.42} Z`}
          fill={plate.knob}
        />
      </g>
    </g>
  );
}

function DialPart({ dial, clock }: { dial: Dial; clock: string }) {
  const { props, lit } = usePart(
    { kind: "dial", id: dial.id },
    `Dial ${dial.label}, at ${clock} on the clock`,
  );
  return (
    <g {...props}>
      <g transform={`translate(${dial.at.x} ${dial.at.y})`}>
        <DialShape dial={dial} clock={clock} />
      </g>
      <Print x={dial.at.x} y={dial.at.y + sizes.dial + 6.2} size={3.6}>
        {dial.label}
      </Print>
      <Ring lit={lit} x={dial.at.x} y={dial.at.y} r={sizes.dial + 3} />
    </g>
  );
}

export function Dials({ board, dials }: { board: BoardProfile; dials: Readonly<Record<string, string>> }) {
  return (
    <g>
      {board.dials.map((dial) => (
        <DialPart key={dial.id} dial={dial} clock={dials[dial.id] ?? dial.delivered} />
      ))}
    </g>
  );
}

function SwitchPart({ id, x, y, on }: { id: string; x: number; y: number; on: boolean }) {
  const { props, lit } = usePart({ kind: "switch", id }, `Switch ${id}, ${on ? "on" : "off"}`);
  const w = sizes.dipPitch * 0.56;
  return (
    <g {...props}>
      <rect
        x={x - sizes.dipPitch / 2}
        y={y - sizes.dipHeight / 2}
        width={sizes.dipPitch}
        height={sizes.dipHeight}
        fill="transparent"
      />
      <rect x={x - w / 2} y={y - 3.6} width={w} height={7.2} rx={0.4} fill={plate.slot} />
      <rect x={x - w / 2} y={on ? y - 3.6 : y + 0.4} width={w} height={3.2} rx={0.4} fill={plate.knob} />
      <Print x={x} y={y + sizes.dipHeight / 2 + 4} size={3.3}>
        {id}
      </Print>
      <Ring lit={lit} x={x} y={y} r={sizes.dipPitch / 2 + 2} />
    </g>
  );
}

export function Dips({
  board,
  switches,
}: {
  board: BoardProfile;
  switches: Readonly<Record<string, "on" | "off">>;
}) {
  return (
    <g>
      {board.dips.map((dip) => (
        <g key={dip.id}>
          <rect
            x={dip.at.x - 1}
            y={dip.at.y - sizes.dipHeight / 2}
            width={dip.delivered.length * sizes.dipPitch + 2}
            height={sizes.dipHeight}
            rx={0.8}
            fill={plate.block}
            stroke={plate.faint}
            strokeWidth={0.4}
          />
          <Print x={dip.at.x - 2.6} y={dip.at.y - 1.4} size={3} faint anchor="end">
            on
          </Print>
          {dip.delivered.map((_, at) => {
            const id = `${dip.id}${at + 1}`;
            return (
              <SwitchPart
                key={id}
                id={id}
                x={dip.at.x + (at + 0.5) * sizes.dipPitch}
                y={dip.at.y}
                on={switches[id] === "on"}
              />
            );
          })}
        </g>
      ))}
    </g>
  );
}

function KeyPart({ id, label, x, y }: { id: string; label: string; x: number; y: number }) {
  const { props, lit } = usePart({ kind: "key", id }, `Key ${label}`);
  return (
    <g {...props}>
      <rect
        x={x - sizes.key / 2}
        y={y - sizes.key / 2}
        width={sizes.key}
        height={sizes.key}
        rx={1.5}
        fill={plate.block}
        stroke={plate.faint}
        strokeWidth={0.5}
      />
      <circle cx={x} cy={y} r={2.7} fill={plate.knob} />
      <Print x={x} y={y + sizes.key / 2 + 4.4} size={3.6}>
        {label}
      </Print>
      <Ring lit={lit} x={x} y={y} r={sizes.key / 2 + 2} />
    </g>
  );
}

export function Keys({ board }: { board: BoardProfile }) {
  return (
    <g>
      {board.keys.map((key) => (
        <KeyPart key={key.id} id={key.id} label={key.label} x={key.at.x} y={key.at.y} />
      ))}
    </g>
  );
}

/** What a subject is, in words, for the line under the bench. */
export function partText(board: BoardProfile, subject: Subject): string {
  const terminal = terminalsOf(board).find((each) => subject.kind === "terminal" && each.id === subject.id);
  if (terminal)
    return `${terminal.id} · ${terminal.block.label} · ${terminal.label} · holds ${terminal.holds}`;
  if (subject.kind === "link")
    return `Link ${board.links.find((link) => link.id === subject.id)?.between.join("–") ?? ""}`;
  if (subject.kind === "dial")
    return `Dial ${board.dials.find((dial) => dial.id === subject.id)?.label ?? ""}`;
  if (subject.kind === "key") {
    const key = board.keys.find((each) => each.id === subject.id);
    return `Key ${key?.label ?? ""}${key?.outside ? `. ${key.outside}` : ""}`;
  }
  if (subject.kind === "lamp")
    return `Lamp ${board.lamps.find((lamp) => lamp.id === subject.id)?.label ?? ""}`;
  if (subject.kind === "switch") {
    const setting = board.settings.find((each) => each.switches.includes(subject.id));
    return `Switch ${subject.id}${setting ? ` · ${setting.label}` : ""}`;
  }
  return "";
}
