import { copyTitle, type JobSummary } from "@anvilcloud/core";
import { useState, type ReactNode } from "react";
import { Button, Dialog, Menu, Quiet, Row, TextInput } from "../../ui/index.ts";
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

function Like({ job, acts, close }: Parts) {
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

function WaitsFor({ job, acts, close }: Parts) {
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

/** What can be done with a job from its line. */
export function JobMenu({ job, acts }: Omit<Parts, "close">) {
  const [asked, setAsked] = useState<"like" | "waits">();
  const close = () => setAsked(undefined);
  const put = (id: string, text: string, shelf: JobSummary["shelf"]) => ({
    id,
    text,
    act: () => acts.put(job, shelf),
  });
  const like = { id: "like", text: "Begin a job like it", act: () => setAsked("like") };
  const waits = { id: "waits", text: "It waits for …", act: () => setAsked("waits") };
  const back = put("back", "Back among the jobs", "jobs");
  const away = put("away", "Put it away", "archive");
  const bin = put("bin", "Delete it", "bin");
  const all = {
    jobs: [like, waits, put("template", "Make it a template", "templates"), away, bin],
    templates: [like, back, bin],
    archive: [like, back, bin],
    bin: [
      back,
      ...(job.answered === 0 && job.standing === "not-begun"
        ? [{ id: "gone", text: "Remove it for good", act: () => acts.removeForGood(job) }]
        : []),
    ],
  }[job.shelf];
  return (
    <>
      <Menu label={`More for ${job.title}`} acts={all} />
      {asked === "like" && <Like job={job} acts={acts} close={close} />}
      {asked === "waits" && <WaitsFor job={job} acts={acts} close={close} />}
    </>
  );
}
