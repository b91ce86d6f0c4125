import type { SessionState } from "@anvilcloud/core";
import { LogOut } from "lucide-react";
import { styled } from "styled-components";
import useSWR, { useSWRConfig } from "swr";
import { getJson, sessionKey, signOut, tellSignedOut } from "../../data/index.ts";
import { narrow, space } from "../../theme/index.ts";
import { Button, WhereRoom } from "../../ui/index.ts";

const Slim = styled(Button)`
  ${narrow} {
    padding: 0 ${space.s};
  }
`;

/** Ends the session of this device; nothing where nobody signs in. */
export function SignOut() {
  const { data } = useSWR<SessionState, Error>(sessionKey, getJson, { revalidateOnFocus: false });
  const { mutate } = useSWRConfig();
  if (data?.signIn !== "done") return null;

  async function leave() {
    await signOut();
    tellSignedOut();
    // What was read here stays with nobody who comes after.
    await mutate((key) => key !== sessionKey, undefined, { revalidate: false });
    await mutate(sessionKey);
  }

  return (
    <Slim $kind="quiet" onPress={() => void leave()}>
      <LogOut size={20} aria-hidden /> <WhereRoom>Sign out</WhereRoom>
    </Slim>
  );
}
