import type { DeviceCatalogue } from "@anvilcloud/core";
import { useState } from "react";
import useSWR from "swr";
import { devicesKey, getJson, removeDevice } from "../../data/index.ts";
import { Opener, Quiet } from "../../ui/index.ts";
import { Removable } from "../shared/removable.tsx";

/** Devices that were described here; one that no job uses any more goes again. */
export function OwnDevices() {
  const [open, setOpen] = useState(false);
  const { data, mutate } = useSWR<DeviceCatalogue, Error>(open ? devicesKey : null, getJson);
  const own = data?.own ?? [];

  async function remove(id: string, revision: number) {
    await removeDevice(id, revision);
    await mutate();
  }

  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <Opener>Devices described here</Opener>
      {data && !own.length && <Quiet>None yet.</Quiet>}
      <ul>
        {own.map(({ id, revision, name }) => (
          <Removable
            key={`${id} ${revision}`}
            name={`${name}, revision ${revision}`}
            text={`${name}, revision ${revision}`}
            remove={() => remove(id, revision)}
          />
        ))}
      </ul>
    </details>
  );
}
