import { useState } from "react";
import { useSWRConfig } from "swr";
import { signIn, tellSignedIn, useSignedOut } from "../../data/index.ts";
import { Button, Dialog, Row, TextInput } from "../../ui/index.ts";

/** Asks for the passphrase wherever the server does; what is on the page meanwhile, and not stored yet, stays. */
export function SignIn() {
  const isOpen = useSignedOut();
  const { mutate } = useSWRConfig();
  const [passphrase, setPassphrase] = useState("");
  const [refusal, setRefusal] = useState<string>();

  async function submit() {
    try {
      await signIn(passphrase);
      setRefusal(undefined);
      setPassphrase("");
      tellSignedIn();
      await mutate(() => true);
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }

  return (
    <Dialog title="Sign in" isOpen={isOpen}>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <TextInput
          label="Passphrase"
          hint="Whoever started this Anvilcloud has set it. You stay signed in on this device for thirty days."
          value={passphrase}
          onChange={(next) => {
            setPassphrase(next);
            setRefusal(undefined);
          }}
          secret
          autoFocus
          {...(refusal === undefined ? {} : { error: refusal })}
        />
        <Row style={{ justifyContent: "flex-end", marginTop: 12 }}>
          <Button $kind="filled" type="submit" isDisabled={!passphrase}>
            Sign in
          </Button>
        </Row>
      </form>
    </Dialog>
  );
}
