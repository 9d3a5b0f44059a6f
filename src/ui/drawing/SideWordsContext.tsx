'use client';
import { createContext, useContext } from 'react';
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';

/** Left and right as the reader sees them: on paper, and where nothing else is said, from the front. */
const Context = createContext<SideWords>(FRONT_WORDS);

export const SideWordsProvider = Context;
export const useSideWords = (): SideWords => useContext(Context);
