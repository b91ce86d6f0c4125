import type { Lamp, LampLook, LampState } from "@anvilcloud/core";
import { styled } from "styled-components";
import { size, space } from "../../theme/index.ts";
import { lampSaid, LampShape } from "../parts/lamps.tsx";

const Mark = styled.span`
  display: inline-flex;
  align-items: center;
  gap: ${space.xs};
  font-size: ${size.small};
`;

interface Props {
  lamp: Lamp;
  is: LampState;
  look: LampLook | undefined;
}

/** One lamp beside its name, drawn as on the face. */
export function LampMark({ lamp, is, look }: Props) {
  return (
    <Mark>
      <svg viewBox="-4 -4 8 8" width={22} height={22} role="img" aria-label={lampSaid(lamp, { is, look })}>
        <LampShape colour={(look?.other && lamp.other) || lamp.colour} is={is} />
      </svg>
      {lamp.label}
      {look?.flashes ? ` ×${look.flashes}` : ""}
    </Mark>
  );
}
