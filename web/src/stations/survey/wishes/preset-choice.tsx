import { ownId, presetOf, presetWishes, type Preset, type PresetCatalogue } from "@anvilcloud/core";
import { useState } from "react";
import { styled } from "styled-components";
import useSWR from "swr";
import { getJson, postPreset, presetsKey, removePreset, useJobBench } from "../../../data/index.ts";
import { space } from "../../../theme/index.ts";
import { Button, Choice, Dialog, Notice, Opener, Quiet, Row, TextInput } from "../../../ui/index.ts";
import { Removable } from "../../shared/removable.tsx";

const Block = styled.div`
  display: grid;
  gap: ${space.s};
  margin-bottom: ${space.m};
  > div:first-child {
    align-items: end;
  }
`;

/** Name and purpose of a preset of one's own; what is wished now becomes its values. */
function SaveAs({ known, onClose }: { known: readonly Preset[]; onClose: (saved: boolean) => void }) {
  const { job } = useJobBench();
  const [name, setName] = useState("");
  const [says, setSays] = useState("");
  const [wrong, setWrong] = useState("");
  async function save() {
    if (!name.trim() || !says.trim()) return setWrong("Give it a name, and say what it is for.");
    const id = ownId(name, "preset");
    const newest = known.find((preset) => preset.id === id)?.revision ?? 0;
    try {
      await postPreset(presetOf(job, { id, name: name.trim(), says: says.trim(), revision: newest + 1 }));
      onClose(true);
    } catch (error) {
      setWrong((error as Error).message);
    }
  }
  return (
    <Dialog title="Keep these wishes as a preset" isOpen onClose={() => onClose(false)}>
      <div style={{ display: "grid", gap: 16 }}>
        <TextInput
          label="Name"
          value={name}
          onChange={setName}
          autoFocus
          hint="A name that is taken gets a new revision."
        />
        <TextInput label="For what kind of installation" value={says} onChange={setSays} />
        {wrong && (
          <Notice tone="fault" title="Not kept">
            {wrong}
          </Notice>
        )}
        <Row>
          <Button onPress={() => void save()}>Keep it</Button>
          <Button $kind="quiet" onPress={() => onClose(false)}>
            Cancel
          </Button>
        </Row>
      </div>
    </Dialog>
  );
}

/** The kind of installation a job begins with: what is usual for it becomes the wishes. */
export function PresetChoice() {
  const { job, plan, changeAndTell } = useJobBench();
  const { data, error, mutate } = useSWR<PresetCatalogue, Error>(presetsKey, getJson);
  const [chosen, setChosen] = useState<string | undefined>(job.preset?.id);
  const [saving, setSaving] = useState(false);
  const presets = data?.presets ?? [];
  const preset = presets.find(({ id }) => id === chosen);
  function begin({ id, name, wishes }: Preset) {
    changeAndTell(
      [
        {
          kind: "preset",
          preset: { id, name, wishes },
          wishes: presetWishes(plan.bundle.board, { wishes }),
        },
      ],
      `Begun with “${name}”.`,
    );
  }
  return (
    <Block>
      <Row>
        <div style={{ flex: "1 1 240px", maxWidth: 320 }}>
          <Choice
            label="Kind of installation"
            value={chosen}
            onChange={setChosen}
            options={presets.map(({ id, name }) => ({ id, text: name }))}
          />
        </div>
        <Button isDisabled={!preset} onPress={() => preset && begin(preset)}>
          Begin with it
        </Button>
        <Button $kind="quiet" onPress={() => setSaving(true)}>
          Keep these wishes as a preset
        </Button>
      </Row>
      {error && <Quiet>Presets are not at hand: {error.message}</Quiet>}
      <Quiet>
        {preset ? `${preset.says} ` : ""}
        {job.preset
          ? `This job began with “${job.preset.name}”; beginning again replaces every wish.`
          : "Beginning with one replaces every wish."}
      </Quiet>
      {!!data?.own.length && (
        <details>
          <Opener>Presets kept here</Opener>
          <ul>
            {data.own.map(({ id, revision, name }) => (
              <Removable
                key={`${id} ${revision}`}
                name={`${name}, revision ${revision}`}
                text={`${name}, revision ${revision}`}
                remove={async () => {
                  await removePreset(id, revision);
                  await mutate();
                }}
              />
            ))}
          </ul>
        </details>
      )}
      {saving && (
        <SaveAs
          known={presets}
          onClose={(saved) => {
            setSaving(false);
            if (saved) void mutate();
          }}
        />
      )}
    </Block>
  );
}
