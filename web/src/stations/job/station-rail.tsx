import type { StationStatus } from "@anvilcloud/core";
import { Check, OctagonX } from "lucide-react";
import { NavLink } from "react-router";
import { styled } from "styled-components";
import { color, narrow, print, size, space, touch } from "../../theme/index.ts";
import { Hidden } from "../../ui/index.ts";
import { stationNames } from "../shared/words.ts";

const Rail = styled.nav`
  ol {
    display: grid;
    gap: ${space.hair};
  }
  a {
    display: grid;
    grid-template-columns: 30px 1fr auto;
    align-items: center;
    gap: ${space.s};
    min-height: ${touch};
    padding: ${space.xs} ${space.s};
    border-radius: 6px;
    color: inherit;
    text-decoration: none;
    font-weight: 600;
  }
  a:hover {
    background: ${color.sunk};
  }
  a.active {
    background: ${color.accentSoft};
    box-shadow: inset 4px 0 0 ${color.accent};
  }
  small {
    color: ${color.quiet};
    font-size: ${size.tiny};
    font-weight: 500;
  }
  ${narrow} {
    overflow-x: auto;
    ol {
      display: flex;
      width: max-content;
      padding: ${space.xs};
    }
    a {
      grid-template-columns: 26px auto;
      padding: ${space.xs} ${space.m} ${space.xs} ${space.xs};
    }
    a.active {
      box-shadow: inset 0 -4px 0 ${color.accent};
    }
    small {
      display: none;
    }
  }
  ${print} {
    display: none;
  }
`;

const Badge = styled.span<{ $state: StationStatus["state"] }>`
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: ${({ $state }) => ($state === "blocked" ? "6px" : "50%")};
  border: 2px solid
    ${({ $state }) => ($state === "blocked" ? color.danger : $state === "settled" ? color.accent : color.strongLine)};
  background: ${({ $state }) => ($state === "settled" ? color.accent : "transparent")};
  color: ${({ $state }) => ($state === "settled" ? color.onAccent : $state === "blocked" ? color.danger : color.quiet)};
  font-size: ${size.tiny};
`;

/** The stations in the order of the work; each shows whether it is settled, open, or blocked. */
export function StationRail({ job, statuses }: { job: string; statuses: readonly StationStatus[] }) {
  return (
    <Rail aria-label="Stations">
      <ol>
        {statuses.map(({ station, state, done, total }, at) => (
          <li key={station}>
            <NavLink to={`/jobs/${job}/${station}`}>
              <Badge $state={state}>
                {state === "settled" ? (
                  <Check size={16} aria-hidden />
                ) : state === "blocked" ? (
                  <OctagonX size={16} aria-hidden />
                ) : (
                  at + 1
                )}
              </Badge>
              {stationNames[station]}
              <Hidden>, {state}</Hidden>
              <small>
                {done}/{total}
              </small>
            </NavLink>
          </li>
        ))}
      </ol>
    </Rail>
  );
}
