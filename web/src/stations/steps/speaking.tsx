import { Volume2, VolumeX } from "lucide-react";
import { useEffect, useState } from "react";
import { Button } from "../../ui/index.ts";
import { setSpeaks, speak, speaks } from "./cues.ts";

/** Says a step aloud where that is wanted, and the switch for it. */
export function Speaking({ text }: { text: string }) {
  const [on, setOn] = useState(speaks);
  useEffect(() => speak(text), [text]);
  const toggle = () => {
    setSpeaks(!on);
    setOn(!on);
    if (!on) speak(text);
  };
  return (
    <Button
      $kind="quiet"
      aria-label={on ? "Cues are spoken" : "Cues are silent"}
      aria-pressed={on}
      onPress={toggle}
      style={{ padding: "0 10px" }}
    >
      {on ? <Volume2 size={20} aria-hidden /> : <VolumeX size={20} aria-hidden />}
    </Button>
  );
}
