'use client';
import { useEffect, useRef } from 'react';
import { type ScheduleWorker, scheduleWorker } from '@/workers/scheduleWorker';

/** The worker that plans the days: opened when it is first asked, ended with the piece of screen that asked. */
export function useScheduleWorker(): () => ScheduleWorker {
  const worker = useRef<ScheduleWorker | null>(null);
  useEffect(
    () => () => {
      worker.current?.close();
      worker.current = null;
    },
    [],
  );
  return () => (worker.current ??= scheduleWorker());
}
