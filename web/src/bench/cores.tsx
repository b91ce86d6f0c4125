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
import { pathOf, wiringOf, type Tag } from "./routes.ts";

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

function curve(from: Point, to: Point): string {
  const middle = (from.y + to.y) / 2;
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
  tag: Tag;
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

/** Cores from the clamps to numbered tags; what ends in a connector or at another device meets outside the tags. */
export function Cores({ board, cores, numbers }: Props) {
  const { lit, light, kept, keep } = useHighlight();
  const keeps = (device: string | undefined) => () =>
    keep(isLit(kept, aboutDevice(device)) ? [] : aboutDevice(device));
  const { tags, routes, sheaths } = wiringOf(board, cores);
  const tagOf = (device: string | undefined) => tags.find((tag) => tag.device === device);
  const joined = new Map<string, { tag: Tag; colour: Core["colour"] }[]>();
  const outside: { key: string; device: string | undefined; from: Tag; colour: Core["colour"] }[] = [];
  for (const core of cores) {
    const own = tags.find((tag) => tag.device === core.device && tag.upper) ?? tagOf(core.device);
    const { to } = core;
    if (to.kind === "joint" && own)
      joined.set(to.joint, [...(joined.get(to.joint) ?? []), { tag: own, colour: core.colour }]);
    const maker = to.kind === "pin" ? tagOf(to.device) : undefined;
    if (maker) outside.push({ key: core.id, device: core.device, from: maker, colour: core.colour });
  }
  const beyond = (tag: Tag, more: number) => tag.at.y + (tag.upper ? -more : more);
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
      {[...joined].map(([joint, ends]) => {
        const x = ends.reduce((sum, end) => sum + end.tag.at.x, 0) / ends.length;
        const y = beyond(ends[0]!.tag, 7.5);
        return (
          <g key={joint} role="img" aria-label={`Connector ${joint}`}>
            {ends.map((end) => (
              <CoreLine
                key={end.tag.key}
                path={curve({ x: end.tag.at.x, y: beyond(end.tag, around.tag) }, { x, y })}
                colour={end.colour}
                bold={false}
              />
            ))}
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
      })}
      {outside.map(({ key, device, from, colour }, at) => {
        const to = { x: from.at.x + (at % 2 ? 1 : -1), y: beyond(from, 8.6) };
        const line = curve({ x: from.at.x + (at % 2 ? 1 : -1), y: beyond(from, around.tag) }, to);
        return (
          <g key={key}>
            <CoreLine path={line} colour={colour} bold={isLit(lit, aboutDevice(device))} />
            <TagMark
              tag={{
                key,
                device,
                name: device ?? "",
                upper: from.upper,
                at: { x: from.at.x, y: beyond(from, 8.8) },
                cores: [],
              }}
              number={numberOf(numbers, device)}
              lit={isLit(lit, aboutDevice(device))}
              light={(on) => light(on ? aboutDevice(device) : [])}
              keep={keeps(device)}
            />
          </g>
        );
      })}
      {tags.map((tag) => (
        <TagMark
          key={tag.key}
          tag={tag}
          number={numberOf(numbers, tag.device)}
          lit={isLit(lit, aboutDevice(tag.device))}
          light={(on) => light(on ? aboutDevice(tag.device) : [])}
          keep={keeps(tag.device)}
        />
      ))}
    </g>
  );
}
