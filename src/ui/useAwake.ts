'use client';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Whether the page is awake: what was typed into it before would be lost. */
export const useAwake = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
