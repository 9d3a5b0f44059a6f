'use client';
/*
 * The only door for what is typed. Fields register with the form they stand in; while one of them cannot be read nothing is sent,
 * by button, key or Enter. A form sends once at a time, and says in one way that it is busy or what went wrong.
 */
import { type ReactNode, createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { useAwake } from '../useAwake';

/** Sends something: null when it was done, else what went wrong in a sentence. */
export type Act = () => Promise<string | null> | string | null;

interface Unread {
  label: string;
  /** Nothing stands there yet, and something has to; said only once it was tried to send. */
  missing: boolean;
}

interface FormState {
  unread: ReadonlyMap<string, Unread>;
  report: (id: string, unread: Unread | null) => void;
  /** It was tried to send while something was missing. */
  tried: boolean;
  busy: boolean;
  refusal: string | null;
  /** The last sending was done, and nothing was typed since. */
  sent: boolean;
  touch: () => void;
  /** What has to be mended before anything is sent, in a sentence; null where nothing has. */
  mend: string | null;
  /** Sends, where every field can be read; true when it was done. @param own not the form itself: an act of one of its buttons */
  send: (act: Act, own?: 'own') => Promise<boolean>;
}

const Context = createContext<FormState | null>(null);

/** The form that a field or a button stands in. @throws Error where it stands in none */
export function useForm(): FormState {
  const form = useContext(Context);
  if (!form) throw new Error('expected a form round a field');
  return form;
}

/** Fields that belong together where no form element can stand: a page with several, a row of a table. */
export function FormScope({ children }: { children: ReactNode }) {
  const [unread, setUnread] = useState<ReadonlyMap<string, Unread>>(new Map());
  const [tried, setTried] = useState(false);
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [sent, setSent] = useState(false);
  const touch = useCallback(() => setSent(false), []);
  const report = useCallback((id: string, one: Unread | null) => {
    setUnread((before) => {
      const there = before.get(id);
      if (one ? there?.label === one.label && there.missing === one.missing : !there) return before;
      const after = new Map(before);
      if (one) after.set(id, one);
      else after.delete(id);
      return after;
    });
  }, []);
  const sending = useRef(false);
  const send = useCallback(
    async (act: Act, own?: 'own'): Promise<boolean> => {
      if (sending.current) return false;
      if (unread.size > 0) {
        setTried(true);
        return false;
      }
      sending.current = true;
      setBusy(true);
      setRefusal(null);
      setSent(false);
      try {
        const wrong = await act();
        setRefusal(wrong);
        setSent(wrong === null && !own);
        if (wrong === null) setTried(false);
        return wrong === null;
      } catch {
        setRefusal('This broke off. Look at what stands now, then send it again.');
        return false;
      } finally {
        sending.current = false;
        setBusy(false);
      }
    },
    [unread],
  );
  const named = [...unread.values()].filter(({ missing }) => tried || !missing).map(({ label }) => label);
  const mend = named.length > 0 ? `Mend first: ${named.join(', ')}.` : null;
  const form = useMemo(
    () => ({ unread, report, tried, busy, refusal, sent, touch, mend, send }),
    [unread, report, tried, busy, refusal, sent, touch, mend, send],
  );
  return <Context value={form}>{children}</Context>;
}

/** Registers a field for as long as it is on the screen. @param unread why nothing can be sent yet; null where it can be read */
export function useRegistered(id: string, label: string, unread: 'wrong' | 'missing' | null): void {
  const { report } = useForm();
  useEffect(() => report(id, unread && { label, missing: unread === 'missing' }), [report, id, label, unread]);
  useEffect(() => () => report(id, null), [report, id]);
}

interface FormProps {
  /** What the form is, for whoever does not see it. */
  label?: string;
  className?: string;
  onSend: Act;
  children: ReactNode;
}

/** A form with what went wrong under its fields. */
export function Form(props: FormProps) {
  return (
    <FormScope>
      <FormElement {...props} />
    </FormScope>
  );
}

function FormElement({ label, className = 'space-y-2', onSend, children }: FormProps) {
  const { send, tried } = useForm();
  const element = useRef<HTMLFormElement>(null);
  const awake = useAwake();
  useEffect(() => {
    if (tried) element.current?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus();
  }, [tried]);
  return (
    <form
      ref={element}
      noValidate
      aria-label={label}
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        if (awake) void send(onSend);
      }}
    >
      {children}
    </form>
  );
}

/** What went wrong with the last sending, or what has to be mended before the next. */
export function FormTrouble({ className = 'text-[14px]' }: { className?: string }) {
  const { refusal, mend } = useForm();
  const says = mend ?? refusal;
  return (
    says && (
      <p role={mend ? undefined : 'alert'} className={`col-span-full text-error ${className}`}>
        {says}
      </p>
    )
  );
}

interface SendProps {
  children: ReactNode;
  className?: string;
  /** Not yet, for a reason that no field tells. */
  disabled?: boolean;
  /** What went wrong stands elsewhere in the form. */
  quiet?: boolean;
  /** Said when it was done, until something is typed again. */
  says?: string;
  'aria-label'?: string;
  /** Pressed by the pedal and by a spoken word too. */
  'data-bench-record'?: boolean;
}

/** The button that sends its form, with what went wrong above it. */
export function SendButton({
  children,
  className = 'btn btn-primary h-11 w-full text-base',
  disabled = false,
  quiet = false,
  says,
  ...rest
}: SendProps) {
  const { mend, busy, sent } = useForm();
  const awake = useAwake();
  return (
    <>
      {!quiet && <FormTrouble />}
      {says && sent && (
        <p role="status" className="text-[14px] text-success">
          {says}
        </p>
      )}
      <button type="submit" className={className} disabled={!awake || busy || disabled || mend !== null} {...rest}>
        {children}
      </button>
    </>
  );
}

/** A button that does something of its own with the fields of its form. */
export function ActButton({
  act,
  children,
  className = 'btn btn-outline btn-sm h-9',
  disabled = false,
  ...rest
}: SendProps & { act: Act }) {
  const { send, mend, busy } = useForm();
  const awake = useAwake();
  return (
    <button
      type="button"
      className={className}
      disabled={!awake || busy || disabled || mend !== null}
      onClick={() => void send(act, 'own')}
      {...rest}
    >
      {children}
    </button>
  );
}
