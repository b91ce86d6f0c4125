import { conductorSizesMm2, conductorText, quantityText, type Units } from "@anvilcloud/core";
import { useState } from "react";
import {
  Button,
  Dialog,
  Quiet,
  Row,
  Segments,
  setShortcutsOn,
  setUnits,
  shortcutsOn,
  SubHeading,
  Toggle,
  useUnits,
} from "../../ui/index.ts";

const systems: readonly { id: Units["system"]; text: string }[] = [
  { id: "metric", text: "mm, m, kg, N" },
  { id: "imperial", text: "feet and inches, lb, lbf" },
];

const conductors: readonly { id: Units["conductors"]; text: string }[] = [
  { id: "mm2", text: "mm²" },
  { id: "awg", text: "AWG" },
];

/** How measures are read and written on this device, and whether single keys act. */
export function SettingsDialog({ isOpen, close }: { isOpen: boolean; close: () => void }) {
  const units = useUnits();
  const [keys, setKeys] = useState(shortcutsOn);
  const sizes = conductorSizesMm2.map((size) => `${size} mm² is ${conductorText(size, units)}`);
  return (
    <Dialog title="Units and keys" isOpen={isOpen} onClose={close}>
      <div style={{ display: "grid", gap: 12 }}>
        <SubHeading>Sizes, masses, forces</SubHeading>
        <Segments
          label="Sizes, masses, forces"
          value={units.system}
          onChange={(system) => setUnits({ ...units, system })}
          options={systems}
        />
        <Quiet>
          A leaf of {quantityText(1800, "mm", units)} and {quantityText(120, "kg", units)}. Whatever is
          chosen, a field takes any unit that is written behind the number: 1.8 m, 5&apos; 11&quot;, 265 lb.
        </Quiet>
        <SubHeading>Conductors</SubHeading>
        <Segments
          label="Conductors"
          value={units.conductors}
          onChange={(next) => setUnits({ ...units, conductors: next })}
          options={conductors}
        />
        <Quiet>
          {units.conductors === "awg"
            ? `The thinnest gauge that is no thinner than what is asked: ${sizes.slice(0, 4).join(", ")}.`
            : "By cross-section."}
        </Quiet>
        <SubHeading>Keys</SubHeading>
        <Toggle
          label="Single keys act"
          value={keys}
          onChange={(on) => {
            setKeys(on);
            setShortcutsOn(on);
          }}
        />
        <Quiet>
          On this device only. Stored is metric always, so that every installation reads a job alike.
        </Quiet>
        <Row style={{ justifyContent: "flex-end" }}>
          <Button $kind="outlined" onPress={close}>
            Done
          </Button>
        </Row>
      </div>
    </Dialog>
  );
}
