'use client';
/* What the door is opened by: a passphrase, a port, and the house’s own certificate where there is one. */
import { type ReactNode, useId, useState } from 'react';
import { type FieldPath, useForm } from 'react-hook-form';
import { fileAction } from '@/server/actions';
import { type NetworkState } from '@/server/network/networkCases';
import { refusalWords } from '../refusalWords';
import { sendPatiently } from '../sender';

interface Door {
  passphrase: string;
  looking: boolean;
  lookingPassphrase: string;
  port: string;
  hours: string;
  certFile: string;
  keyFile: string;
}

interface DoorFormProps {
  state: NetworkState;
  onOpened: (state: NetworkState) => void;
  onClose: () => void;
}

const whole = (typed: string, least: number, most: number) =>
  (/^\d{1,6}$/.test(typed.trim()) && Number(typed) >= least && Number(typed) <= most) ||
  `“${typed}” will not do: a whole number from ${least} to ${most}.`;

export function DoorForm({ state, onOpened, onClose }: DoorFormProps) {
  const { set, open, usual } = state;
  const form = useForm<Door>({
    defaultValues: {
      passphrase: '',
      looking: set?.looking ?? false,
      lookingPassphrase: '',
      port: String(set?.port ?? usual.port),
      hours: String(set?.hours ?? usual.hours),
      certFile: set?.certFile ?? '',
      keyFile: set?.keyFile ?? '',
    },
  });
  const { errors, isSubmitting } = form.formState;
  const [told, setTold] = useState<string | null>(null);
  const openIt = form.handleSubmit(async ({ port, hours, ...typed }) => {
    setTold(null);
    const refused = (message: string) => form.setError('root', { message });
    try {
      const outcome = await sendPatiently(() =>
        fileAction('openNetwork', { ...typed, port: Number(port), hours: Number(hours) }),
      );
      if (outcome.ok) {
        onOpened(outcome.value);
        form.resetField('passphrase');
        form.resetField('lookingPassphrase');
        setTold(open ? 'Kept. Whoever signed in by an older passphrase signs in again.' : null);
      } else if (outcome.kind === 'invalid')
        for (const { field, says } of outcome.errors) form.setError(field as FieldPath<Door>, { message: says });
      else refused(refusalWords(outcome));
    } catch {
      refused('The server does not answer. Nothing was changed.');
    }
  });
  return (
    <form className="mt-6 max-w-[44rem] space-y-4" onSubmit={(event) => void openIt(event)}>
      <h2 className="text-[17px] font-semibold">{open ? 'Change the door' : 'Open the door to other devices'}</h2>
      <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
        <Field
          label="Passphrase"
          hint={set ? 'Empty keeps the one that was set.' : 'At least 12 letters; four odd words do well.'}
          error={errors.passphrase?.message}
        >
          {(field) => (
            <input {...field} {...form.register('passphrase')} type="password" autoComplete="new-password" maxLength={200} />
          )}
        </Field>
        <Field label="A device stays signed in, hours" error={errors.hours?.message}>
          {(field) => (
            <input {...field} {...form.register('hours', { validate: (typed) => whole(typed, 1, 720) })} inputMode="numeric" />
          )}
        </Field>
        <label className="flex items-center gap-3 text-[15px] sm:col-span-2">
          <input type="checkbox" className="checkbox" {...form.register('looking')} />
          Some devices look on: they see everything and tick the kit, by a passphrase of their own
        </label>
        {form.watch('looking') && (
          <Field
            label="Passphrase to look on"
            hint={set?.looking ? 'Empty keeps the one that was set.' : 'Another one than above.'}
            error={errors.lookingPassphrase?.message}
          >
            {(field) => (
              <input
                {...field}
                {...form.register('lookingPassphrase')}
                type="password"
                autoComplete="new-password"
                maxLength={200}
              />
            )}
          </Field>
        )}
      </div>
      <details>
        <summary className="cursor-pointer py-2 text-[15px]">Port and certificate</summary>
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          <Field label="Port" error={errors.port?.message}>
            {(field) => (
              <input
                {...field}
                {...form.register('port', { validate: (typed) => whole(typed, 1, 65_535) })}
                inputMode="numeric"
              />
            )}
          </Field>
          <p className="soft self-end text-[14px]">
            With a certificate of this house (PEM files on this machine) the way is encrypted.
          </p>
          <Field label="Certificate file" error={errors.certFile?.message}>
            {(field) => <input {...field} {...form.register('certFile')} maxLength={400} spellCheck={false} />}
          </Field>
          <Field label="Key file" error={errors.keyFile?.message}>
            {(field) => <input {...field} {...form.register('keyFile')} maxLength={400} spellCheck={false} />}
          </Field>
        </div>
      </details>
      {errors.root && (
        <p role="alert" className="text-error">
          {errors.root.message}
        </p>
      )}
      {told && <p role="status">{told}</p>}
      <div className="flex flex-wrap gap-3">
        <button type="submit" className="btn btn-primary h-11" disabled={isSubmitting}>
          {isSubmitting ? 'A moment' : open ? 'Keep the change' : 'Open the door'}
        </button>
        {open && (
          <button type="button" className="btn btn-outline h-11" onClick={onClose}>
            Close it and sign all out
          </button>
        )}
      </div>
    </form>
  );
}

interface FieldProps {
  label: string;
  hint?: string;
  error: string | undefined;
  children: (field: { id: string; className: string; 'aria-invalid': boolean; 'aria-describedby': string }) => ReactNode;
}

/** A field with its name above and what is wrong below. */
function Field({ label, hint, error, children }: FieldProps) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="soft block text-[14px]">
        {label}
      </label>
      {children({ id, className: 'input h-11 w-full', 'aria-invalid': error !== undefined, 'aria-describedby': `${id}-says` })}
      <p id={`${id}-says`} role={error ? 'alert' : undefined} className={`text-[13.5px] ${error ? 'text-error' : 'soft'}`}>
        {error ?? hint}
      </p>
    </div>
  );
}
