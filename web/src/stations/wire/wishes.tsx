import { useJobBench } from "../../data/index.ts";
import { Button, Heading, Mark, Panel, Row } from "../../ui/index.ts";
import { CoreMark } from "../steps/core-table.tsx";
import { useCores } from "./use-cores.ts";

/** What was set for single cores: terminals they are wanted on, and colours found; each can be taken back. */
export function Wishes() {
  const { plan } = useJobBench();
  const { want, colour } = useCores();
  const label = (device: (typeof plan.wiring.devices)[number], pin: string) =>
    `${device.name}, ${device.profile.pins.find((each) => each.id === pin)?.label ?? pin}`;
  const pinned = plan.wiring.devices.flatMap((device) =>
    Object.entries(device.pinned ?? {}).map(([pin, terminal]) => ({ device, pin, terminal })),
  );
  const coloured = plan.wiring.devices.flatMap((device) =>
    Object.entries(device.colours ?? {}).map(([pin, found]) => ({ device, pin, found })),
  );
  if (!pinned.length && !coloured.length) return null;
  return (
    <Panel>
      <Heading>Set for single cores</Heading>
      <ul>
        {pinned.map(({ device, pin, terminal }) => (
          <li key={`${device.id} ${pin} pinned`}>
            <Row style={{ justifyContent: "space-between" }}>
              <span>
                {label(device, pin)} is wanted on <Mark>{terminal}</Mark>
              </span>
              <Button $kind="quiet" onPress={() => want(device.id, pin)}>
                Let the plan choose
              </Button>
            </Row>
          </li>
        ))}
        {coloured.map(({ device, pin, found }) => (
          <li key={`${device.id} ${pin} colour`}>
            <Row style={{ justifyContent: "space-between" }}>
              <span>
                {label(device, pin)} was found as <CoreMark colour={found} />, its sheet says{" "}
                {device.profile.pins.find((each) => each.id === pin)?.core}
              </span>
              <Button $kind="quiet" onPress={() => colour(device.id, pin)}>
                As on its sheet
              </Button>
            </Row>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
