import { purposeLabel, type BoardProfile } from "@anvilcloud/core";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import { createJob } from "../../data/index.ts";
import { Button, Dialog, Notice, Row, TextInput } from "../../ui/index.ts";
import { BoardFinder } from "../shared/board-finder.tsx";

interface Wanted {
  title: string;
  customer: string;
  board: BoardProfile | undefined;
}

function NewJobForm({ onClose }: { onClose: () => void }) {
  const [refusal, setRefusal] = useState<string>();
  const navigate = useNavigate();
  const { control, handleSubmit, formState } = useForm<Wanted>({
    defaultValues: { title: "", customer: "", board: undefined },
  });

  async function submit({ title, customer, board }: Wanted) {
    if (!board) return;
    try {
      const { job } = await createJob({ title, customer, board: board.id });
      onClose();
      void navigate(`/jobs/${job.id}/survey`);
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }

  return (
    <form
      onSubmit={(event) => void handleSubmit(submit)(event)}
      style={{ display: "grid", gap: "16px" }}
      noValidate
    >
      <Controller
        control={control}
        name="title"
        rules={{
          validate: (value) => value.trim() !== "" || "Give the job a title, such as the gate's place.",
        }}
        render={({ field, fieldState }) => (
          <TextInput
            label="Title"
            value={field.value}
            onChange={field.onChange}
            error={fieldState.error?.message}
            autoFocus
          />
        )}
      />
      <Controller
        control={control}
        name="customer"
        rules={{ validate: (value) => value.trim() !== "" || "Give the customer's name." }}
        render={({ field, fieldState }) => (
          <TextInput
            label="Customer"
            value={field.value}
            onChange={field.onChange}
            error={fieldState.error?.message}
          />
        )}
      />
      <Controller
        control={control}
        name="board"
        rules={{ validate: (value) => value !== undefined || "Choose the board that is on site." }}
        render={({ field, fieldState }) =>
          field.value ? (
            <Row style={{ justifyContent: "space-between" }}>
              <span>
                Board: <b>{`${field.value.maker} ${field.value.name}`}</b>,{" "}
                {purposeLabel(field.value.purpose).toLowerCase()}
              </span>
              <Button $kind="outlined" onPress={() => field.onChange(undefined)}>
                Another board
              </Button>
            </Row>
          ) : (
            <div>
              <BoardFinder label="Board" isFirst={false} onChoose={field.onChange} />
              {fieldState.error && (
                <Notice tone="fault" title="Board">
                  {fieldState.error.message}
                </Notice>
              )}
            </div>
          )
        }
      />
      {refusal && (
        <Notice tone="fault" title="Not made">
          {refusal}
        </Notice>
      )}
      <Row style={{ justifyContent: "flex-end" }}>
        <Button $kind="outlined" onPress={onClose}>
          Cancel
        </Button>
        <Button $kind="filled" type="submit" isDisabled={formState.isSubmitting}>
          Begin the survey
        </Button>
      </Row>
    </form>
  );
}

/** Begins a job: title, customer, board; everything else is asked in the survey. */
export function NewJob({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  return (
    <Dialog title="New job" isOpen={isOpen} onClose={onClose}>
      <NewJobForm onClose={onClose} />
    </Dialog>
  );
}
