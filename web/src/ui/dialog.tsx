import type { ReactNode } from "react";
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from "react-aria-components";
import { styled } from "styled-components";
import { color, size, space } from "../theme/index.ts";

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 10;
  display: grid;
  place-items: center;
  padding: ${space.m};
  background: rgb(10 14 13 / 0.55);
`;

const Sheet = styled(Modal)`
  width: min(720px, 100%);
  max-height: 90dvh;
  overflow: auto;
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 10px;
  padding: ${space.l};
  [role="dialog"] {
    outline: none;
  }
  [slot="title"] {
    font-size: ${size.title};
    margin-bottom: ${space.m};
  }
`;

interface Props {
  title: string;
  isOpen: boolean;
  onClose?: () => void;
  children: ReactNode;
}

/** A dialog over the page; without `onClose` it must be answered. */
export function Dialog({ title, isOpen, onClose, children }: Props) {
  return (
    <Overlay
      isOpen={isOpen}
      isDismissable={!!onClose}
      isKeyboardDismissDisabled={!onClose}
      onOpenChange={(open) => !open && onClose?.()}
    >
      <Sheet>
        <AriaDialog>
          <Heading slot="title">{title}</Heading>
          {children}
        </AriaDialog>
      </Sheet>
    </Overlay>
  );
}
