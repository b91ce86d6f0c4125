import type { Job, JobBundle } from "@anvilcloud/core";
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { fakeServer, jobOn, renderInJob } from "../../../testing/bench.tsx";
import { KeyGuide } from "./key-guide.tsx";

beforeAll(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));
afterEach(cleanup);

const quernish = (firmware: string): JobBundle => {
  const bundle = jobOn("osierbeck-quernish", []);
  return { ...bundle, job: { ...bundle.job, found: { ...bundle.job.found, firmware } } };
};
const changes = [{ item: "relay-two", to: "2" }];
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
const keys = () => screen.getByText(/^Key \d+ of/).textContent;

describe("the key guide", () => {
  test("leads one key at a time to the end", async () => {
    fakeServer();
    await renderInJob(quernish("15"), <KeyGuide changes={changes} />);
    expect(await screen.findByText("Hold SET for 8 s.")).toBeTruthy();
    const count = Number(/of (\d+)/.exec(keys()!)![1]);
    for (let n = 0; n < count; n += 1) await press("It shows that");
    expect(screen.getByText(/rEL2 Task of relay 2 stands at 2/)).toBeTruthy();
  });

  test("a slip is found by what it shows, by a look where several places show it, and the way on is told from there", async () => {
    fakeServer();
    await renderInJob(quernish("15"), <KeyGuide changes={changes} />);
    await screen.findByText("Hold SET for 8 s.");
    await press("It shows that");
    await press("It shows something else");
    await userEvent.type(screen.getByLabelText("Something else"), "Pot");
    await press("Find it");
    expect(await screen.findByText(/Most like it: /)).toBeTruthy();
    await userEvent.clear(screen.getByLabelText("Something else"));
    await userEvent.type(screen.getByLabelText("Something else"), "no");
    await press("Find it");
    const look = await screen.findByText(/changes nothing, wherever it is/);
    expect(look.textContent).toContain("Press LEAF and look");
    await press("bEAt");
    await screen.findByText("On from where it is.");
    expect(keys()).toBe("Key 1 of 10");
  });

  test("asks for the firmware before it tells a key", async () => {
    const { sent } = fakeServer();
    await renderInJob(quernish(""), <KeyGuide changes={changes} />);
    await screen.findByText(/Which firmware/);
    expect(screen.queryByText(/^Key /)).toBeNull();
    await press("It is 14");
    await waitFor(() => expect(sent.map(({ body }) => (body as Job).found.firmware)).toEqual(["14"]));
  });

  test("what an app sets is a list", async () => {
    fakeServer();
    const bundle = jobOn("dunnick-wendrel", []);
    await renderInJob(bundle, <KeyGuide changes={[{ item: "brisk", to: "7" }]} />);
    expect(await screen.findByText(/no keys lead there/)).toBeTruthy();
  });
});
