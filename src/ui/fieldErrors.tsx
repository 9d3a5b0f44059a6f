'use client';
import { type ReactNode, createContext, useCallback, useContext, useEffect, useMemo, useState } from 'react';

interface FieldErrors {
  errors: ReadonlyMap<string, string>;
  report: (field: string, error: string | null) => void;
}

const Context = createContext<FieldErrors | null>(null);

/** Gathers what is wrong in the fields below, so that nothing is recorded over a field that cannot be read. */
export function FieldErrorsProvider({ children }: { children: ReactNode }) {
  const [errors, setErrors] = useState<ReadonlyMap<string, string>>(new Map());
  const report = useCallback((field: string, error: string | null) => {
    setErrors((before) => {
      if ((before.get(field) ?? null) === error) return before;
      const after = new Map(before);
      if (error === null) after.delete(field);
      else after.set(field, error);
      return after;
    });
  }, []);
  const value = useMemo(() => ({ errors, report }), [errors, report]);
  return <Context value={value}>{children}</Context>;
}

export const useFieldErrors = (): ReadonlyMap<string, string> => useContext(Context)?.errors ?? new Map();

/** Reports a field's error while it is on the screen. */
export function useReportedError(field: string, error: string | null): void {
  const report = useContext(Context)?.report;
  useEffect(() => report?.(field, error), [report, field, error]);
  useEffect(() => () => report?.(field, null), [report, field]);
}
