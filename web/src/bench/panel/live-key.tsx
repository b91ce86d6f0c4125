import { shortestHold } from "@anvilcloud/core";
import { useEffect, useEffectEvent, useRef, useState } from "react";
import { Button } from "../../ui/index.ts";

interface Props {
  label: string;
  isDisabled?: boolean;
  /** For how long the board has counted the key as held, s; left out, as long as it is in real time. */
  counted?: () => number;
  onDown?: () => void;
  onDone: (seconds: number) => void;
}

/** A key that is pressed or held, and tells for how long. */
export function LiveKey({ label, isDisabled = false, counted, onDown, onDone }: Props) {
  const since = useRef<number>(undefined);
  const [held, setHeld] = useState(0);
  const [isDown, setDown] = useState(false);
  const count = useEffectEvent(() => setHeld(counted?.() ?? (performance.now() - since.current!) / 1_000));
  useEffect(() => {
    if (!isDown) return;
    const tick = setInterval(() => count(), 100);
    return () => clearInterval(tick);
  }, [isDown]);
  return (
    <Button
      $kind="outlined"
      isDisabled={isDisabled}
      onPressStart={() => {
        since.current = performance.now();
        setHeld(0);
        setDown(true);
        onDown?.();
      }}
      onPressEnd={() => {
        setDown(false);
        onDone((performance.now() - since.current!) / 1_000);
      }}
    >
      {isDown && held >= shortestHold ? `${label} ${Math.floor(held)} s` : label}
    </Button>
  );
}
