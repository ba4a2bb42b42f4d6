import { useMutation } from '@tanstack/react-query';
import { type SyntheticEvent } from 'react';
import { type DefaultValues, type FieldValues, type Path, type UseFormReturn, useForm } from 'react-hook-form';

import { Refusal } from '../api/client';

export interface SentForm<Values extends FieldValues, Answer> extends UseFormReturn<Values> {
  onSubmit: (event?: SyntheticEvent) => Promise<void>;
  /** What the server answered last; undefined until it was sent, and where it was refused. */
  answer: Answer | undefined;
  /** Shows what was refused of something else that the form's fields were sent for. */
  showFaults: (problem: unknown) => void;
}

/**
 * A form whose fields bear the names that they have in the request. What the server refuses stands at its field, and the
 * first such field takes the focus; what belongs to no field stands at the form. Nothing that was typed is lost.
 */
export function useSendForm<Values extends FieldValues, Answer>({
  defaultValues,
  send,
  onSent,
}: {
  defaultValues: DefaultValues<Values>;
  send: (values: Values) => Promise<Answer>;
  onSent?: (answer: Answer, form: UseFormReturn<Values>) => void;
}): SentForm<Values, Answer> {
  const form = useForm<Values>({ defaultValues });
  const sending = useMutation({ mutationFn: send });
  const onSubmit = form.handleSubmit(async (values) => {
    let answer: Answer;
    try {
      answer = await sending.mutateAsync(values);
    } catch (problem) {
      showFaults(form, problem);
      return;
    }
    onSent?.(answer, form);
  });
  return { ...form, onSubmit, answer: sending.data, showFaults: (problem) => showFaults(form, problem) };
}

const UNKNOWN = 'Something went wrong here. What you entered is still here; try again.';

/**
 * A fault in the field of a line of a list ("advice.0.words") stands there; one in a part of a field ("events.2") at the
 * field.
 */
const nameOf = (path: string): string => {
  const steps = path.split(/[./]/);
  return steps.length > 2 ? steps.join('.') : (steps[0] ?? '');
};

function showFaults<Values extends FieldValues>(form: UseFormReturn<Values>, problem: unknown): void {
  const names = Object.keys(form.getValues());
  const faults = problem instanceof Refusal ? Object.entries(problem.fields) : [];
  const shown = new Set<string>();
  for (const [path, message] of faults) {
    const name = nameOf(path);
    if (!names.includes(name.split('.')[0] ?? '') || shown.has(name)) continue;
    form.setError(name as Path<Values>, { type: 'server', message }, { shouldFocus: shown.size === 0 });
    shown.add(name);
  }
  if (shown.size === 0) {
    form.setError('root.server', { message: problem instanceof Refusal ? problem.message : UNKNOWN });
  }
}
