import { act, cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import useSWR, { SWRConfig } from "swr";
import { getJson, tellSignedIn } from "../../data/index.ts";
import { Component as PhonePage } from "./phone-page.tsx";
import { SignIn } from "./sign-in.tsx";
import { SignOut } from "./sign-out.tsx";

/** A server that asks for a passphrase, as far as a page sees it. */
function guarded(right: string, whereabouts: object = {}) {
  let inside = false;
  const answer = (status: number, body: object = {}) =>
    Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
  globalThis.fetch = ((address: string, { method = "GET", body }: RequestInit = {}) => {
    if (address === "/api/session") {
      if (method === "GET") return answer(200, { signIn: inside ? "done" : "needed" });
      if (method === "POST")
        inside = (JSON.parse(String(body)) as { passphrase: string }).passphrase === right;
      else inside = false;
      return method === "POST" && !inside
        ? answer(403, { detail: "This is not the passphrase." })
        : answer(204);
    }
    return inside
      ? answer(200, { said: "inside", ...whereabouts })
      : answer(401, { detail: "Sign in first." });
  }) as unknown as typeof fetch;
}

function Inside() {
  const { data } = useSWR<{ said: string }>("/api/jobs?page=0", getJson);
  return <p>{data?.said ?? "nothing"}</p>;
}

const show = () =>
  render(
    <SWRConfig value={{ provider: () => new Map(), shouldRetryOnError: false }}>
      <input aria-label="Notes" defaultValue="typed before" />
      <Inside />
      <SignOut />
      <SignIn />
    </SWRConfig>,
  );

afterEach(() => {
  cleanup();
  act(() => tellSignedIn());
});

test("where the server asks for it, the passphrase is asked for; a wrong one is told, the right one shows the page as it was", async () => {
  guarded("four dry hinge pins");
  show();
  const field = await screen.findByLabelText("Passphrase");
  expect(field).toHaveProperty("type", "password");
  await userEvent.type(field, "something else{Enter}");
  await screen.findByText("This is not the passphrase.");
  await userEvent.clear(field);
  await userEvent.type(field, "four dry hinge pins{Enter}");
  await screen.findByText("inside");
  expect(screen.queryByRole("dialog")).toBeNull();
  expect(screen.getByLabelText("Notes")).toHaveProperty("value", "typed before");
});

test("signed out, the device shows nothing of what it had read", async () => {
  guarded("four dry hinge pins");
  show();
  await userEvent.type(await screen.findByLabelText("Passphrase"), "four dry hinge pins{Enter}");
  fireEvent.click(await screen.findByRole("button", { name: "Sign out" }));
  await screen.findByRole("dialog", { name: "Sign in" });
  await waitFor(() => expect(screen.queryByText("inside")).toBeNull());
});

describe("on a phone", () => {
  const page = (where: object) => {
    globalThis.fetch = (() =>
      Promise.resolve({
        ok: true,
        status: 200,
        json: () => Promise.resolve(where),
      })) as unknown as typeof fetch;
    render(
      <SWRConfig value={{ provider: () => new Map() }}>
        <MemoryRouter>
          <PhonePage />
        </MemoryRouter>
      </SWRConfig>,
    );
  };

  test("says how to be reached at all, where only this machine does", async () => {
    page({ addresses: [], trust: null, code: null });
    expect((await screen.findByText(/HOST=0.0.0.0 PASSPHRASE=/)).textContent).toContain("npm run demo");
  });

  test("shows what to scan and what to compare, where the certificate was made here", async () => {
    const trust = { address: "http://10.0.0.7:4171", fingerprint: "A1B2 C3D4" };
    page({ addresses: ["https://10.0.0.7:4170"], trust, code: "<svg/>" });
    expect((await screen.findByText("A1B2")).parentElement!.textContent).toBe("A1B2 C3D4 ");
    expect(screen.getByRole("link", { name: trust.address })).toHaveProperty("href", `${trust.address}/`);
    expect(screen.getByRole("img").getAttribute("src")).toBe("data:image/svg+xml;utf8,%3Csvg%2F%3E");
  });

  test("goes straight to the address, where a certificate was given", async () => {
    page({ addresses: ["https://bench.lan:4170"], trust: null, code: "<svg/>" });
    await screen.findByRole("link", { name: "https://bench.lan:4170" });
    expect(screen.queryByText(/trust/)).toBeNull();
  });
});
