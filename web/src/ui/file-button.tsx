import { FolderInput } from "lucide-react";
import { FileTrigger } from "react-aria-components";
import { Button } from "./button.tsx";

interface Props {
  label: string;
  /** Endings and media types to offer. */
  accepts: readonly string[];
  /** Largest file taken, bytes. */
  most: number;
  /** Takes the file; what it throws is told. */
  take: (file: File) => Promise<void>;
  /** Told what went wrong, and undefined when a new attempt begins. */
  onError: (message: string | undefined) => void;
}

/** A button that takes one file; one far too large is refused before it is read. */
export function FileButton({ label, accepts, most, take, onError }: Props) {
  async function read(files: FileList | null) {
    const file = files?.[0];
    if (!file) return;
    onError(undefined);
    try {
      if (file.size > most)
        throw new Error(
          `${file.name} has ${file.size} bytes; at most ${most} are taken. It is hardly the right file.`,
        );
      await take(file);
    } catch (error) {
      onError((error as Error).message);
    }
  }
  return (
    <FileTrigger acceptedFileTypes={[...accepts]} onSelect={(files) => void read(files)}>
      <Button $kind="outlined">
        <FolderInput size={20} aria-hidden /> {label}
      </Button>
    </FileTrigger>
  );
}
