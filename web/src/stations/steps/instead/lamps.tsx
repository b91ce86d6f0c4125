import type { BoardProfile, LampState, SeenInstead } from "@anvilcloud/core";
import { styled } from "styled-components";
import { LampShape } from "../../../bench/index.ts";
import { color, plate, size, space } from "../../../theme/index.ts";
import { Button, Quiet, SubHeading } from "../../../ui/index.ts";

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: ${space.s};
  button {
    justify-content: start;
    text-align: left;
    font-weight: 500;
  }
  button[data-told="true"] {
    background: ${color.accentSoft};
  }
  button[data-told="false"] {
    border-style: dashed;
    svg {
      opacity: 0.35;
    }
  }
  svg {
    flex: none;
    background: ${plate.base};
    border-radius: 6px;
  }
  small {
    display: block;
    color: ${color.quiet};
    font-size: ${size.small};
    font-weight: 400;
  }
`;

/** What a tap makes of what was told of a lamp; after dark nothing is told again. */
const next: Record<LampState | "untold", LampState | undefined> = {
  untold: "lit",
  lit: "blinking",
  blinking: "dark",
  dark: undefined,
};

interface Props {
  lamps: BoardProfile["lamps"];
  told: NonNullable<SeenInstead["lamps"]>;
  tell: (lamps: NonNullable<SeenInstead["lamps"]>) => void;
}

/** Lamps that tell something here, each tapped until it shows what was seen. */
export function TappedLamps({ lamps, told, tell }: Props) {
  const tap = (id: string) => {
    const { [id]: now, ...others } = told;
    const to = next[now ?? "untold"];
    tell(to === undefined ? others : { ...others, [id]: to });
  };
  return (
    <div>
      <SubHeading>Tap each lamp until it is as you see it</SubHeading>
      <Grid role="group" aria-label="Lamps as you see them">
        {lamps.map(({ id, label, colour }) => (
          <Button key={id} $kind="outlined" data-told={id in told} onPress={() => tap(id)}>
            <svg viewBox="-5 -5 10 10" width={32} height={32} aria-hidden>
              <LampShape colour={colour} is={told[id] ?? "dark"} />
            </svg>
            <span>
              {label}
              <small>{told[id] ?? "not told"}</small>
            </span>
          </Button>
        ))}
      </Grid>
      {Object.keys(told).length > 0 && <Quiet>One more tap on a dark lamp takes it back.</Quiet>}
    </div>
  );
}
