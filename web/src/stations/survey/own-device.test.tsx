import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, netloft, renderInJob } from "../../testing/bench.tsx";
import { DevicesForm } from "./devices-form.tsx";
import { OwnDevice } from "./own-device.tsx";

const nothing = () => {};

async function field(name: string, text: string) {
  const box = screen.getByRole("textbox", { name });
  await userEvent.clear(box);
  await userEvent.type(box, text);
}

describe("a device of one's own", () => {
  test("is sent as a whole profile, contact and supply with pins of their own", async () => {
    const { sent } = fakeServer();
    const taken: object[] = [];
    await renderInJob(netloft(), <OwnDevice isOpen close={nothing} take={(device) => taken.push(device)} />);
    await field("Name", "Quay bell push");
    await field("It trips when", "the push is pressed");
    await userEvent.click(screen.getByText("It needs a supply from the board"));
    await field("Draws at work, mA", "35");
    await userEvent.tab();
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ method: "POST", address: "/api/devices" });
    expect(sent[0]!.body).toMatchObject({
      id: "own-quay-bell-push",
      contacts: [{ duty: "stop", rest: "closed", supply: "supply" }],
      supplies: [{ milliamps: { working: 35 } }],
    });
    expect(taken).toHaveLength(1);
  });

  test("without a name or what trips it, it says so and sends nothing", async () => {
    const { sent } = fakeServer();
    await renderInJob(netloft(), <OwnDevice isOpen close={nothing} take={nothing} />);
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    expect(await screen.findByText("a name")).toBeTruthy();
    expect(screen.getByText("what trips it, in words")).toBeTruthy();
    expect(sent).toEqual([]);
  });

  test("with neither contact nor supply there is nothing to add", async () => {
    await renderInJob(netloft(), <OwnDevice isOpen close={nothing} take={nothing} />);
    await userEvent.click(screen.getByText("It has a contact for an input"));
    expect(screen.getByText(/a device without pins cannot be wired/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Add it" })).toHaveProperty("disabled", true);
  });

  test("is reached from the devices on site", async () => {
    await renderInJob(netloft(), <DevicesForm />);
    await userEvent.click(screen.getByRole("button", { name: "A device of your own" }));
    expect(await screen.findByRole("dialog", { name: "A device of your own" })).toBeTruthy();
  });
});

test("devices described here are listed once they are looked for, and removed; what the server says against it is told", async () => {
  const { state } = fakeServer();
  const answering = globalThis.fetch;
  const sent: string[] = [];
  globalThis.fetch = ((address: string, init: RequestInit = {}) => {
    if (init.method === "DELETE") sent.push(address);
    if (address !== "/api/devices") return answering(address, init);
    const own = [{ id: "own-bell", revision: 1, name: "Quay bell" }];
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve({ devices: [], own }) });
  }) as unknown as typeof fetch;
  await renderInJob(netloft(), <DevicesForm />);
  await userEvent.click(screen.getByText("Devices described here"));
  await userEvent.click(await screen.findByRole("button", { name: "Remove Quay bell, revision 1" }));
  state.refusing = { status: 409, body: { detail: "Jobs were made with it." } };
  await userEvent.click(screen.getByRole("button", { name: "Remove it for good" }));
  await screen.findByText("Jobs were made with it.");
  state.refusing = undefined;
  await userEvent.click(screen.getByRole("button", { name: "Remove Quay bell, revision 1" }));
  await userEvent.click(screen.getByRole("button", { name: "Remove it for good" }));
  await waitFor(() => expect(screen.queryByText("Jobs were made with it.")).toBeNull());
  expect(sent).toEqual(["/api/devices/own-bell?revision=1", "/api/devices/own-bell?revision=1"]);
});
