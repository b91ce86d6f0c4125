import { copyTitle, type JobSummary } from "@anvilcloud/core";
import { useState, type ReactNode } from "react";
import { Button, Dialog, Quiet, Row, TextInput } from "../../ui/index.ts";
import type { JobActs } from "./acts.ts";

interface AskProps {
  title: string;
  children: ReactNode;
  yes: string;
  isReady: boolean;
  take: () => void;
  close: () => void;
}

/** A short question with its answer. */
function Ask({ title, children, yes, isReady, take, close }: AskProps) {
  return (
    <Dialog title={title} isOpen onClose={close}>
      <form
        style={{ display: "grid", gap: 16 }}
        onSubmit={(event) => {
          event.preventDefault();
          if (!isReady) return;
          close();
          take();
        }}
      >
        {children}
        <Row style={{ justifyContent: "flex-end" }}>
          <Button $kind="outlined" onPress={close}>
            Cancel
          </Button>
          <Button $kind="filled" type="submit" isDisabled={!isReady}>
            {yes}
          </Button>
        </Row>
      </form>
    </Dialog>
  );
}

interface Parts {
  job: JobSummary;
  acts: JobActs;
  close: () => void;
}

/** Asks what a job like another is called, and whose it is. */
export function Like({ job, acts, close }: Parts) {
  const [title, setTitle] = useState(job.shelf === "templates" ? "" : copyTitle(job.title));
  const [customer, setCustomer] = useState(job.customer);
  return (
    <Ask
      title={`A job like ${job.title}`}
      yes="Begin it"
      isReady={title.trim() !== "" && customer.trim() !== ""}
      take={() => acts.copy(job, title.trim(), customer.trim())}
      close={close}
    >
      <Quiet>
        It has the same board, leaves, devices, cables and wishes, and nothing of what was found or done
        there. Another customer begins without an address.
      </Quiet>
      <TextInput label="Title" value={title} onChange={setTitle} autoFocus />
      <TextInput label="Customer" value={customer} onChange={setCustomer} />
    </Ask>
  );
}

/** Asks what a job waits for. */
export function WaitsFor({ job, acts, close }: Parts) {
  const [what, setWhat] = useState(job.waitsFor);
  return (
    <Ask
      title={`${job.title} waits`}
      yes="Note it"
      isReady
      take={() => acts.waitsFor(job, what.trim())}
      close={close}
    >
      <TextInput
        label="Waits for"
        hint="A part on order, the customer's word, a dry day. Empty: for nothing."
        value={what}
        onChange={setWhat}
        autoFocus
      />
    </Ask>
  );
}
