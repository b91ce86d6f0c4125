import { Download } from "lucide-react";
import { useState } from "react";
import { Button, FileButton, Notice, Row, TextInput } from "../../ui/index.ts";
import { saveText } from "../save-drawing.ts";
import type { Running } from "./use-running.ts";

type Tone = "note" | "fault";

/** Largest run file that is read, bytes. */
const largest = 6_000_000;

/** What was done here, kept as a file under a name; and a file that someone else kept, played to its end. */
export function KeptRuns({ running }: { running: Running }) {
  const { host, info } = running;
  const [name, setName] = useState("");
  const [said, setSaid] = useState<{ tone: Tone; title: string; text: string }>();

  async function keep() {
    const kept = await host.kept();
    if (!kept) return;
    const called = name.trim() || info.job.title;
    const file = called.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase();
    saveText(`${file}.run.json`, "application/json", JSON.stringify(kept.file));
    setSaid({
      tone: "note",
      title: `Kept: ${called}`,
      text: `Whoever plays it comes to the same end: ${kept.mark}.`,
    });
  }

  async function play(file: File) {
    const { mark, seconds } = await host.replayed(JSON.parse(await file.text()));
    setSaid({
      tone: "note",
      title: `Played: ${file.name}`,
      text: `${Math.round(seconds)} s; its end is ${mark}.`,
    });
  }

  const failed = (text: string | undefined) =>
    setSaid(text === undefined ? undefined : { tone: "fault", title: "Not played", text });

  return (
    <>
      <Row style={{ alignItems: "end" }}>
        <TextInput label="Name of this run" value={name} onChange={setName} placeholder={info.job.title} />
        <Button $kind="outlined" onPress={() => void keep()}>
          <Download size={20} aria-hidden /> Keep it as a file
        </Button>
        <FileButton
          label="Play a file"
          accepts={[".json", "application/json"]}
          most={largest}
          take={play}
          onError={failed}
        />
      </Row>
      {said && (
        <Notice tone={said.tone} title={said.title}>
          {said.text}
        </Notice>
      )}
    </>
  );
}
