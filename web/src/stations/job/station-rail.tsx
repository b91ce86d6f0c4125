import type { StationStatus } from "@anvilcloud/core";
import { Check, Lock, Minus, OctagonX } from "lucide-react";
import { useEffect, useRef } from "react";
import { NavLink, useLocation } from "react-router";
import { styled } from "styled-components";
import { color, narrow, print, size, space, touch } from "../../theme/index.ts";
import { stationNames } from "../shared/words.ts";

const Rail = styled.nav`
  position: relative;
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

const Badge = styled.span<{ $ink: string; $fill: string; $square: boolean }>`
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border-radius: ${({ $square }) => ($square ? "6px" : "50%")};
  border: 2px solid ${({ $ink }) => $ink};
  background: ${({ $fill }) => $fill};
  color: ${({ $ink, $fill }) => ($fill === "transparent" ? $ink : color.onAccent)};
  font-size: ${size.tiny};
`;

function StateBadge({ status, number }: { status: StationStatus; number: number }) {
  if (status.total === 0)
    return (
      <Badge $ink={color.strongLine} $fill="transparent" $square={false}>
        <Minus size={15} aria-hidden />
      </Badge>
    );
  if (status.state === "settled")
    return (
      <Badge $ink={color.accent} $fill={color.accent} $square={false}>
        <Check size={16} aria-hidden />
      </Badge>
    );
  if (status.state === "open")
    return (
      <Badge $ink={color.strongLine} $fill="transparent" $square={false}>
        {number}
      </Badge>
    );
  const Icon = status.trouble ? OctagonX : Lock;
  return (
    <Badge $ink={status.trouble ? color.danger : color.strongLine} $fill="transparent" $square>
      <Icon size={15} aria-hidden />
    </Badge>
  );
}

/** The stations in the order of the work; each shows whether it is settled, open, or blocked. */
export function StationRail({ job, statuses }: { job: string; statuses: readonly StationStatus[] }) {
  const rail = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // On a phone the strip follows: the station at hand is never out of sight.
  useEffect(() => {
    const active = rail.current?.querySelector<HTMLElement>("a.active");
    if (!rail.current || !active) return;
    rail.current.scrollLeft = active.offsetLeft - (rail.current.clientWidth - active.offsetWidth) / 2;
  }, [pathname]);
  return (
    <Rail ref={rail} aria-label="Stations">
      <ol>
        {statuses.map((status, at) => (
          <li key={status.station}>
            <NavLink
              to={`/jobs/${job}/${status.station}`}
              title={status.reason}
              aria-label={`${stationNames[status.station]}, ${status.total ? `${status.state}, ${status.done} of ${status.total}` : "nothing to do"}`}
            >
              <StateBadge status={status} number={at + 1} />
              {stationNames[status.station]}
              <small>{status.total > 0 && `${status.done}/${status.total}`}</small>
            </NavLink>
          </li>
        ))}
      </ol>
    </Rail>
  );
}
