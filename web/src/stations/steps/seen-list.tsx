import { count, type BoardProfile, type Seen } from "@anvilcloud/core";
import { Eye, Tv } from "lucide-react";
import { styled } from "styled-components";
import { LampShape } from "../../bench/index.ts";
import { useLights } from "../../data/index.ts";
import { color, plate, size, space } from "../../theme/index.ts";
import { Glass, useInUnits } from "../../ui/index.ts";

const List = styled.ul`
  display: grid;
  gap: ${space.xs};
  li {
    display: grid;
    grid-template-columns: 44px 1fr;
    gap: ${space.m};
    align-items: center;
    min-height: 44px;
    border-radius: 6px;
  }
  li[data-lit="true"] {
    background: ${color.accentSoft};
  }
  svg.lamp {
    background: ${plate.base};
    border-radius: 6px;
  }
  svg.eye {
    justify-self: center;
    color: ${color.quiet};
  }
  small {
    display: block;
    color: ${color.quiet};
    font-size: ${size.small};
  }
`;

function LampLine({ seen, board }: { seen: Extract<Seen, { kind: "lamp" }>; board: BoardProfile }) {
  const lights = useLights([{ kind: "lamp", id: seen.lamp }]);
  const lamp = board.lamps.find((each) => each.id === seen.lamp);
  const colour = (seen.look?.other && lamp?.other) || (lamp?.colour ?? "white");
  const still = seen.meanwhile ? "" : seen.is === seen.was ? "still " : "";
  return (
    <li {...lights}>
      <svg className="lamp" viewBox="-5 -5 10 10" width={44} height={44} aria-hidden>
        <LampShape colour={colour} is={seen.meanwhile ?? seen.is} />
      </svg>
      <span>
        <b>{seen.label}</b> {still}
        {seen.meanwhile && `${seen.meanwhile} meanwhile, then `}
        {seen.is}
        {seen.look?.flashes ? `, ${count(seen.look.flashes, "flash", "flashes")} and a pause` : ""}
        <small>
          {colour}: {seen.why}
        </small>
      </span>
    </li>
  );
}

/** What should be seen: lamps drawn as they will look, each with its reason, and what no lamp tells. */
export function SeenList({ see, board }: { see: readonly Seen[]; board: BoardProfile }) {
  const inUnits = useInUnits();
  return (
    <List aria-label="You should now see">
      {see.map((seen) =>
        seen.kind === "lamp" ? (
          <LampLine key={seen.lamp} seen={seen} board={board} />
        ) : seen.kind === "display" ? (
          <li key={`display ${seen.text}`}>
            <Tv className="eye" size={22} aria-hidden />
            <span>
              The display shows <Glass>{seen.text.replaceAll("|", "\n")}</Glass>
            </span>
          </li>
        ) : (
          <li key={seen.text}>
            <Eye className="eye" size={22} aria-hidden />
            <span>{inUnits(seen.text)}</span>
          </li>
        ),
      )}
    </List>
  );
}
