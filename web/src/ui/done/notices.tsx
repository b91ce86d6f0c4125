import { Undo2, X } from "lucide-react";
import {
  Text,
  UNSTABLE_Toast as Toast,
  UNSTABLE_ToastContent as ToastContent,
  UNSTABLE_ToastRegion as ToastRegion,
} from "react-aria-components";
import { styled } from "styled-components";
import { color, narrow, print, space, touch } from "../../theme/index.ts";
import { Button } from "../button.tsx";
import { notices, takeBack } from "./done.ts";

const Region = styled(ToastRegion)`
  position: fixed;
  z-index: 20;
  /* Beside the work, never over what is pressed next. */
  right: ${space.m};
  bottom: ${space.m};
  width: min(460px, calc(100vw - 24px));
  outline: none;
  ${narrow} {
    /* Over the strip of stations alone: what a card says stays in sight. */
    top: 2px;
    bottom: auto;
    right: 12px;
  }
  ${print} {
    display: none;
  }
` as typeof ToastRegion;

const One = styled(Toast)`
  display: flex;
  align-items: center;
  gap: ${space.s};
  padding: ${space.xs} ${space.xs} ${space.xs} ${space.l};
  border-radius: 8px;
  background: ${color.ink};
  color: ${color.ground};
  box-shadow: 0 8px 24px rgb(0 0 0 / 0.25);
  [slot="description"] {
    overflow-wrap: anywhere;
  }
  > div {
    flex: 1;
    min-width: 0;
  }
  button {
    min-height: ${touch};
    color: inherit;
    border-color: transparent;
    background: transparent;
    padding: 0 ${space.m};
  }
  ${narrow} {
    padding: 0 ${space.xs} 0 ${space.m};
    [slot="description"] {
      display: block;
      overflow: hidden;
      white-space: nowrap;
      text-overflow: ellipsis;
    }
  }
  button[data-hovered] {
    background: transparent;
    text-decoration: underline;
  }
` as typeof Toast;

/** The notice of what was done last, with the way back. */
export function Notices() {
  return (
    <Region queue={notices} aria-label="What was done">
      {({ toast }) => {
        const { text, done } = toast.content;
        return (
          <One toast={toast}>
            <ToastContent>
              <Text slot="description">{text}</Text>
            </ToastContent>
            {done && (
              <Button
                onPress={() => {
                  notices.close(toast.key);
                  void takeBack(done);
                }}
              >
                <Undo2 size={18} aria-hidden /> Take back
              </Button>
            )}
            <Button slot="close" aria-label="Close this notice">
              <X size={18} aria-hidden />
            </Button>
          </One>
        );
      }}
    </Region>
  );
}
