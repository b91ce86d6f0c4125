import { useEffect, useRef } from "react";
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Resolver,
  type UseFormReturn,
} from "react-hook-form";

/** How long typing rests before what was typed is saved, ms. */
const restMs = 500;

/**
 * A form that saves itself: every change that the schema accepts is handed on once typing rests; what it refuses stays
 * on screen with its reason and is not saved.
 */
export function useSection<T extends FieldValues>(
  values: T,
  resolver: Resolver<T>,
  save: (values: T) => void,
): UseFormReturn<T> {
  const form = useForm<T>({ defaultValues: values as DefaultValues<T>, resolver, mode: "onChange" });
  const latest = useRef({ save, values });
  useEffect(() => {
    latest.current = { save, values };
  });

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const flush = () => {
      timer = undefined;
      void form.handleSubmit((next) => {
        if (JSON.stringify(next) !== JSON.stringify(latest.current.values)) latest.current.save(next);
      })();
    };
    const unsubscribe = form.subscribe({
      formState: { values: true },
      callback: () => {
        clearTimeout(timer);
        timer = setTimeout(flush, restMs);
      },
    });
    return () => {
      unsubscribe();
      if (timer) {
        clearTimeout(timer);
        flush();
      }
    };
  }, [form]);

  return form;
}
