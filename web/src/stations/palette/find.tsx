import { Search } from "lucide-react";
import { lazy, Suspense, useEffect, useState } from "react";
import { styled } from "styled-components";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Button, useShortcuts } from "../../ui/index.ts";

// The first page is quick without it.
const Palette = lazy(() => import("./palette.tsx").then((palette) => ({ default: palette.Palette })));

const Opens = styled(Button)`
  padding: 0 ${space.m};
  border-color: ${color.line};
  font-weight: 500;
  font-size: ${size.small};
  kbd {
    padding: 0 6px;
    border: 1px solid ${color.line};
    border-radius: 4px;
    font-size: ${size.tiny};
  }
  ${narrow} {
    span,
    kbd {
      display: none;
    }
  }
`;

/** Opens the palette: by its button, by "/", or by Ctrl+K from anywhere. */
export function Find() {
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState(false);
  const show = () => {
    setAsked(true);
    setOpen(true);
  };
  useShortcuts({ "/": show });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== "k" || !(event.ctrlKey || event.metaKey)) return;
      if (document.querySelector("[role=dialog]")) return;
      event.preventDefault();
      show();
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <Opens $kind="outlined" aria-label="Find, key /" onPress={show}>
        <Search size={18} aria-hidden /> <span>Find</span> <kbd aria-hidden>/</kbd>
      </Opens>
      {asked && (
        <Suspense>
          <Palette isOpen={open} close={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
