import {
  cableKey,
  terminalIn,
  type BoardProfile,
  type Core,
  type Point,
  type Subject,
} from "@anvilcloud/core";
import { isLit, useHighlight } from "../data/index.ts";
import { color, coreColour, font, plate } from "../theme/index.ts";
import { around, numberOf } from "./geometry.ts";
import { pathOf, wiringOf, type Tag } from "./core-routes.ts";

/** A core's line: a casing that stands off the board and off other cores, its colour, and for green-and-yellow a second, broken colour over it. */
function CoreLine({ path, colour, bold }: { path: string; colour: Core["colour"]; bold: boolean }) {
  const width = bold ? 1.9 : 1.25;
  return (
    <g fill="none" strokeLinecap="round">
      <path d={path} stroke={color.surface} strokeWidth={width + 1.1} />
      <path d={path} stroke={color.ink} strokeWidth={width + 0.5} />
      <path d={path} stroke={coreColour[colour]} strokeWidth={width} />
      {colour === "GNYE" && (
        <path d={path} stroke={coreColour.YE} strokeWidth={width} strokeDasharray="2 2" />
      )}
    </g>
  );
}

/** A cable in which several cores lie, its two ways joined without a seam. */
function SheathLine({ paths, bold }: { paths: readonly string[]; bold: boolean }) {
  const lines = [
    { stroke: color.surface, width: 3.2 },
    { stroke: color.ink, width: 2.5 },
    { stroke: bold ? plate.brass : plate.faint, width: 1.8 },
  ];
  return (
    <g fill="none" strokeLinecap="round">
      {lines.flatMap(({ stroke, width }) =>
        paths.map((path) => <path key={`${stroke} ${path}`} d={path} stroke={stroke} strokeWidth={width} />),
      )}
    </g>
  );
}

/** From point to point: up or down with a turn, or in a bow as far out as said. */
function curve(from: Point, to: Point, bow: number): string {
  const middle = (from.y + to.y) / 2 + bow;
  return `M${from.x} ${from.y} C${from.x} ${middle} ${to.x} ${middle} ${to.x} ${to.y}`;
}

/** What a core is about: pointing at any of these lights it. */
function aboutCore({ device, part, to, cable }: Core): Subject[] {
  const terminal = terminalIn(to);
  return [
    ...aboutDevice(device),
    ...(terminal === undefined ? [] : [{ kind: "terminal" as const, id: terminal }]),
    ...(device === undefined ? [] : [{ kind: "cable" as const, id: cableKey(device, part, cable?.run) }]),
  ];
}

/** A device as a subject; the spur that feeds the board is none. */
const aboutDevice = (device: string | undefined): Subject[] =>
  device === undefined ? [] : [{ kind: "device", id: device }];

interface Props {
  board: BoardProfile;
  cores: readonly Core[];
  numbers: Readonly<Record<string, string>>;
}

function TagMark({
  tag,
  number,
  lit,
  light,
  keep,
}: {
  tag: Pick<Tag, "name" | "at">;
  number: string;
  lit: boolean;
  light: (on: boolean) => void;
  /** Keeps it lit, or no more. */
  keep: () => void;
}) {
  return (
    <g
      role="img"
      aria-label={`${tag.name}, number ${number}`}
      onPointerEnter={() => light(true)}
      onPointerLeave={() => light(false)}
      onClick={keep}
    >
      <circle
        cx={tag.at.x}
        cy={tag.at.y}
        r={around.tag}
        fill={lit ? plate.brass : color.surface}
        stroke={color.ink}
        strokeWidth={0.5}
      />
      <text
        x={tag.at.x}
        y={tag.at.y + 1.5}
        fontSize={4.2}
        fontWeight={700}
        textAnchor="middle"
        fontFamily={font.text}
        fill={lit ? plate.slot : color.ink}
      >
        {number}
      </text>
    </g>
  );
}

/** A connector in which cores of devices meet. */
function JointMark({ joint, at: { x, y } }: { joint: string; at: Point }) {
  return (
    <g role="img" aria-label={`Connector ${joint}`}>
      <rect
        x={x - 3}
        y={y - 2.4}
        width={6}
        height={4.8}
        rx={1}
        fill={color.surface}
        stroke={color.ink}
        strokeWidth={0.5}
      />
      <text
        x={x}
        y={y + 1.3}
        fontSize={3.4}
        textAnchor="middle"
        fontFamily={font.mono}
        fontWeight={700}
        fill={color.ink}
      >
        {joint}
      </text>
    </g>
  );
}

/** Cores from the clamps to numbered tags; what ends in a connector or at another device meets outside the tags. */
export function Cores({ board, cores, numbers }: Props) {
  const { lit, light, kept, keep } = useHighlight();
  const { tags, routes, sheaths, beyond } = wiringOf(board, cores);
  const mark = (tag: Pick<Tag, "key" | "device" | "name" | "at">) => (
    <TagMark
      key={tag.key}
      tag={tag}
      number={numberOf(numbers, tag.device)}
      lit={isLit(lit, aboutDevice(tag.device))}
      light={(on) => light(on ? aboutDevice(tag.device) : [])}
      keep={() => keep(isLit(kept, aboutDevice(tag.device)) ? [] : aboutDevice(tag.device))}
    />
  );
  return (
    <g>
      {routes.map(({ core, points }) => (
        <CoreLine
          key={core.id}
          path={pathOf(points)}
          colour={core.colour}
          bold={isLit(lit, aboutCore(core))}
        />
      ))}
      {sheaths.map(({ tag, along, on }) => (
        <SheathLine
          key={tag.key}
          paths={[pathOf(along), pathOf(on)]}
          bold={isLit(lit, aboutDevice(tag.device))}
        />
      ))}
      {beyond.lines.map(({ core, from, to, bow }) => (
        <CoreLine
          key={core.id}
          path={curve(from, to, bow)}
          colour={core.colour}
          bold={isLit(lit, aboutCore(core))}
        />
      ))}
      {beyond.marks.map(({ key, joint, device, at }) =>
        joint === undefined ? (
          mark({ key, device, name: nameOf(cores, device), at })
        ) : (
          <JointMark key={key} joint={joint} at={at} />
        ),
      )}
      {tags.map(mark)}
    </g>
  );
}

/** What the bench calls a device of these cores. */
const nameOf = (cores: readonly Core[], device: string | undefined) =>
  cores.find((core) => core.device === device)?.deviceName ?? "";
