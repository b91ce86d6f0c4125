import { cardsInSlots, sizes, sizeToFit, type BoardProfile, type Box } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";
import { Print } from "./print.tsx";

type Slide = BoardProfile["slides"][number];
type Jumper = BoardProfile["jumpers"][number];

/** A frame around a part that is pointed at. */
function Frame({ box, lit }: { box: Box; lit: boolean }) {
  return (
    <rect {...box} rx={1} fill="none" stroke={plate.brass} strokeWidth={lit ? 1.1 : 0} pointerEvents="none" />
  );
}

function SlidePart({ board, slide, at }: { board: BoardProfile; slide: Slide; at: string }) {
  const { props, lit } = usePart({ kind: "slide", id: slide.id }, `Slide ${slide.label}, at ${at}`);
  const { box } = placed(board, "slide", slide.id);
  const { slidePitch: pitch, print } = sizes;
  const standing = slide.positions.indexOf(at);
  return (
    <g {...props}>
      <rect {...box} fill="transparent" />
      <Print x={box.x + 0.6} y={box.y + 3.6} size={print.part} anchor="start">
        {slide.label}
      </Print>
      <g transform={`translate(${box.x + 1} ${box.y + 5.4})`}>
        <rect
          width={4.4}
          height={slide.positions.length * pitch}
          rx={0.8}
          fill={plate.slot}
          stroke={plate.faint}
          strokeWidth={0.4}
        />
        {standing >= 0 && (
          <rect
            x={0.5}
            y={standing * pitch + 0.5}
            width={3.4}
            height={pitch - 1}
            rx={0.5}
            fill={plate.knob}
          />
        )}
        {slide.positions.map((position, index) => (
          <Print
            key={position}
            x={6}
            y={(index + 0.72) * pitch}
            size={print.small}
            anchor="start"
            faint={index !== standing}
          >
            {position}
          </Print>
        ))}
      </g>
      <Frame box={box} lit={lit} />
    </g>
  );
}

/** Which pins the shunt covers, counted from 0; on two pins a parked shunt sits on the first alone. */
function shuntPins(jumper: Jumper, at: string): { from: number; to: number } {
  if (jumper.pins === 2) return at === "on" ? { from: 0, to: 1 } : { from: -1, to: 0 };
  return at === "1-2" ? { from: 0, to: 1 } : { from: 1, to: 2 };
}

function JumperPart({ board, jumper, at }: { board: BoardProfile; jumper: Jumper; at: string }) {
  const { props, lit } = usePart(
    { kind: "jumper", id: jumper.id },
    `Jumper ${jumper.label}, ${jumper.pins === 3 ? `on pins ${at}` : at}`,
  );
  const { box } = placed(board, "jumper", jumper.id);
  const { pin, print } = sizes;
  const { from, to } = shuntPins(jumper, at);
  const start = box.x + box.width / 2 - ((jumper.pins - 1) * pin) / 2;
  const y = box.y + 3.6;
  return (
    <g {...props}>
      <rect {...box} fill="transparent" />
      <rect
        x={start - pin / 2}
        y={y - 2}
        width={jumper.pins * pin}
        height={4}
        rx={0.5}
        fill={plate.slot}
        stroke={plate.faint}
        strokeWidth={0.4}
      />
      <rect
        x={start + from * pin - 1.5}
        y={y - 2.7}
        width={(to - from) * pin + 3}
        height={5.4}
        rx={0.9}
        fill={plate.knob}
      />
      {Array.from({ length: jumper.pins }, (_, index) => (
        <rect
          key={index}
          x={start + index * pin - 0.6}
          y={y - 0.6}
          width={1.2}
          height={1.2}
          fill={plate.slot}
          stroke={plate.screw}
          strokeWidth={0.35}
        />
      ))}
      <Print x={box.x + box.width / 2} y={box.y + 11.2} size={print.part}>
        {jumper.label}
      </Print>
      <Frame box={box} lit={lit} />
    </g>
  );
}

interface Props {
  board: BoardProfile;
  switches: Readonly<Record<string, string>>;
}

/** Slide switches with their named positions, and jumpers with their shunt. */
export function Selectors({ board, switches }: Props) {
  return (
    <g>
      {board.slides.map((slide) => (
        <SlidePart key={slide.id} board={board} slide={slide} at={switches[slide.id] ?? slide.delivered} />
      ))}
      {board.jumpers.map((jumper) => (
        <JumperPart
          key={jumper.id}
          board={board}
          jumper={jumper}
          at={switches[jumper.id] ?? jumper.delivered}
        />
      ))}
    </g>
  );
}

function SlotPart({
  board,
  slot,
  card,
}: {
  board: BoardProfile;
  slot: BoardProfile["slots"][number];
  card?: string;
}) {
  const { props, lit } = usePart(
    { kind: "slot", id: slot.id },
    `Slot ${slot.label}, ${card ? `with ${card}` : "empty"}`,
  );
  const { box } = placed(board, "slot", slot.id);
  return (
    <g {...props}>
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={sizes.slotHeight}
        rx={1}
        fill={card ? plate.block : "transparent"}
        stroke={plate.faint}
        strokeWidth={0.6}
        strokeDasharray={card ? undefined : "2 1.4"}
      />
      <Print
        x={box.x + box.width / 2}
        y={box.y + 7.8}
        size={sizeToFit(card ?? "empty", box.width - 2, sizes.print.small)}
        faint={!card}
      >
        {card ?? "empty"}
      </Print>
      <Print x={box.x + box.width / 2} y={box.y + sizes.slotHeight + 4} size={sizes.print.part}>
        {slot.label}
      </Print>
      <Frame box={box} lit={lit} />
    </g>
  );
}

/** Slots, each with the card in it. */
export function Slots({ board, cards }: { board: BoardProfile; cards: readonly string[] }) {
  const sits = cardsInSlots(board, cards);
  return (
    <g>
      {board.slots.map((slot) => {
        const card = sits.get(slot.id);
        return <SlotPart key={slot.id} board={board} slot={slot} {...(card ? { card: card.name } : {})} />;
      })}
    </g>
  );
}
