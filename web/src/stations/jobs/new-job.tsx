import type { BoardProfile } from "@anvilcloud/core";
import { useState } from "react";
import { Controller, useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import useSWR from "swr";
import { createJob, getJson } from "../../data/index.ts";
import { Button, Choice, Dialog, Notice, Row, TextInput } from "../../ui/index.ts";

interface Wanted {
  title: string;
  customer: string;
  board: string;
}

function NewJobForm({ onClose }: { onClose: () => void }) {
  const { data } = useSWR<{ boards: BoardProfile[] }, Error>("/api/boards", getJson);
  const [refusal, setRefusal] = useState<string>();
  const navigate = useNavigate();
  const { control, handleSubmit, formState } = useForm<Wanted>({
    defaultValues: { title: "", customer: "", board: "" },
  });
  const boards = data?.boards ?? [];

  async function submit(wanted: Wanted) {
    try {
      const { job } = await createJob(wanted);
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
        rules={{ validate: (value) => value !== "" || "Choose the board that is on site." }}
        render={({ field, fieldState }) => (
          <Choice
            label="Board"
            value={field.value || undefined}
            onChange={field.onChange}
            options={boards.map((board) => ({ id: board.id, text: `${board.maker} ${board.name}` }))}
            error={fieldState.error?.message}
          />
        )}
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
