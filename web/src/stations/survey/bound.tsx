import { Controller, type Control, type FieldPath, type FieldValues } from "react-hook-form";
import { Choice, NumberInput, TextInput, Toggle } from "../../ui/index.ts";

/** A field's place in a form, and its label. */
interface Bound<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
}

/** A text of a form. */
export function BoundText<T extends FieldValues>({
  control,
  name,
  ...props
}: Bound<T> & { hint?: string; long?: boolean; autoFocus?: boolean }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextInput
          {...props}
          value={field.value}
          onChange={field.onChange}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

/** A number of a form. */
export function BoundNumber<T extends FieldValues>({
  control,
  name,
  ...props
}: Bound<T> & { unit: string; isAssumed?: boolean }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <NumberInput
          {...props}
          value={field.value}
          onChange={field.onChange}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

/** One of several words of a form. */
export function BoundChoice<T extends FieldValues, C extends string>({
  control,
  name,
  ...props
}: Bound<T> & { options: readonly { id: C; text: string }[] }) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Choice
          {...props}
          value={field.value || undefined}
          onChange={field.onChange}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

/** On or off in a form. */
export function BoundToggle<T extends FieldValues>({ control, name, label }: Bound<T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => <Toggle label={label} value={field.value} onChange={field.onChange} />}
    />
  );
}
