// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';

import { Refusal } from '../../web/api/client';
import { FormProblem, FormText, SendButton, SendForm } from '../../web/forms/SendForm';
import { useSendForm } from '../../web/forms/useSendForm';

interface Values {
  name: string;
  days: string;
  equipment: string[];
}

const BLANK: Values = { name: '', days: '90', equipment: [] };

function Example({ send, onSent }: { send: (values: Values) => Promise<string>; onSent?: (answer: string) => void }) {
  const form = useSendForm({ defaultValues: BLANK, send, onSent: (answer) => onSent?.(answer) });
  return (
    <SendForm form={form}>
      <FormText control={form.control} name="name" label="Name" />
      <FormText control={form.control} name="days" label="Days" help="1 to 366" />
      <FormText control={form.control} name="equipment" label="Equipment" />
      <FormProblem form={form} />
      {form.answer !== undefined && <p>Answered: {form.answer}</p>}
      <SendButton form={form}>Send</SendButton>
    </SendForm>
  );
}

const show = (send: (values: Values) => Promise<string>, onSent?: (answer: string) => void) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Example send={send} {...(onSent === undefined ? {} : { onSent })} />
    </QueryClientProvider>,
  );

const type = (label: string, value: string) => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};

const press = async () => {
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Send' }));
    await Promise.resolve();
  });
};

const refused = (fields: Record<string, string>, message = 'Not so.') =>
  vi.fn<(values: Values) => Promise<string>>().mockRejectedValue(new Refusal(422, message, fields));

afterEach(cleanup);

describe('a form that is sent', () => {
  it('sends what was typed and says what came back', async () => {
    const send = vi.fn<(values: Values) => Promise<string>>().mockResolvedValue('kept');
    const onSent = vi.fn();
    show(send, onSent);
    type('Name', 'Scheduler');
    await press();
    await screen.findByText('Answered: kept');
    expect(send.mock.calls[0]?.[0]).toEqual({ ...BLANK, name: 'Scheduler' });
    expect(onSent).toHaveBeenCalledWith('kept');
  });

  it('puts each fault at its field, takes the first into focus, and loses nothing', async () => {
    show(refused({ name: 'must not be empty', 'equipment.0': 'is not known here' }));
    type('Days', '12');
    await press();
    await screen.findByText('must not be empty');
    expect(screen.getByText('is not known here')).toBeDefined();
    expect(screen.getByLabelText('Name').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByLabelText('Days').getAttribute('aria-invalid')).toBe('false');
    expect(screen.getByLabelText<HTMLInputElement>('Days').value).toBe('12');
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('Name')));
    // Nothing is said twice.
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('says at the form what belongs to no field', async () => {
    show(refused({ revision: 'is of an older page' }, 'Somebody else changed this.'));
    await press();
    expect((await screen.findByRole('alert')).textContent).toContain('Somebody else changed this.');
  });

  it('says what to do where something fails that nobody foresaw', async () => {
    show(vi.fn<(values: Values) => Promise<string>>().mockRejectedValue(new Error('boom')));
    await press();
    expect((await screen.findByRole('alert')).textContent).toContain('still here');
  });

  it('can be sent again once it was put right, and forgets what was wrong', async () => {
    const send = refused({ name: 'must not be empty' });
    show(send);
    await press();
    await screen.findByText('must not be empty');
    send.mockRejectedValueOnce(new Refusal(0, 'No connection to Rung.', {}));
    type('Name', 'Scheduler');
    await press();
    expect((await screen.findByRole('alert')).textContent).toContain('No connection');
    expect(screen.queryByText('must not be empty')).toBeNull();
    send.mockResolvedValueOnce('kept');
    await press();
    await screen.findByText('Answered: kept');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(send).toHaveBeenCalledTimes(3);
  });
});
