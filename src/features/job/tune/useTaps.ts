'use client';
/* Three taps, from the microphone, a file or the simulated one, and the tension that the worker reads from them. */
import { useEffect, useRef, useState } from 'react';
import { type TapRecording, type TapsInput, type TapsReading } from '@/core/tension/tap/analyseTaps';
import { type Pull, TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { checkTap } from '@/core/tension/tap/tapCheck';
import { TapListener } from '@/core/tension/tap/tapListener';
import { readWav } from '@/core/tension/tap/wav';
import { TaskCancelled } from '@/workers/taskClient';
import { type TapWorker, tapWorker } from '@/workers/tapWorker';
import { type Microphone, openMicrophone, simulatedTap } from './microphone';

export type TapSource = 'microphone' | 'file' | 'simulated';
/** What came of three taps; “failed” where the reading itself broke off. */
export type TapsAnswer = TapsReading | { kind: 'failed'; says: string; doThis: string };
export type TapSet = Partial<Record<TapPlace, TapRecording>>;

export interface Taps {
  source: TapSource;
  setSource: (source: TapSource) => void;
  taps: TapSet;
  done: TapPlace[];
  /** The place that is tapped next, or null when all are. */
  next: TapPlace | null;
  listening: boolean;
  /** Loudest of the last piece, 0 to 1. */
  level: number;
  warnings: string[];
  /** What was wrong with the last tap. */
  problem: { says: string; doThis: string } | null;
  /** Null until all three are there and read. */
  reading: TapsAnswer | null;
  busy: boolean;
  listen: () => void;
  stop: () => void;
  simulate: (pull: Pull) => void;
  readFile: (file: File) => void;
  again: () => void;
}

const NOTHING_HEARD_MS = 8000;
const NOTHING_HEARD = {
  says: 'No tap was heard yet.',
  doThis: 'Bring the microphone nearer, 2 to 5 cm from the cloth, and tap with a fingertip.',
};

export function useTaps(asked: Omit<TapsInput, 'taps'>): Taps {
  const [source, setSource] = useState<TapSource>('microphone');
  const [taps, setTaps] = useState<TapSet>({});
  const [problem, setProblem] = useState<Taps['problem']>(null);
  const done = TAP_PLACE_IDS.filter((place) => taps[place]);
  const next = TAP_PLACE_IDS.find((place) => !taps[place]) ?? null;
  const place = useRef(next);
  useEffect(() => {
    place.current = next;
  }, [next]);
  const tapNumber = useRef(0);
  const put = (recording: TapRecording) => {
    const here = place.current;
    if (!here) return;
    const check = checkTap(recording.samples, recording.rate);
    if (!check.ok) return setProblem({ says: `${check.says} Not taken.`, doThis: check.doThis });
    setProblem(null);
    place.current = TAP_PLACE_IDS[TAP_PLACE_IDS.indexOf(here) + 1] ?? null;
    setTaps((before) => ({ ...before, [here]: recording }));
  };
  const ear = useEar(put, setProblem, next === null);
  const { reading, busy } = useReading(asked, taps);
  const again = () => {
    setTaps({});
    setProblem(null);
    place.current = 'C';
  };
  return {
    source,
    setSource: (to) => {
      ear.stop();
      setSource(to);
      again();
    },
    taps,
    done,
    next,
    problem,
    reading,
    busy,
    ...ear,
    simulate: (pull) => {
      if (!place.current) return;
      tapNumber.current += 1;
      put(simulatedTap(place.current, asked.span, asked.sigma, pull, tapNumber.current));
    },
    readFile: (file) =>
      void file.arrayBuffer().then((bytes) => {
        const read = readWav(new Uint8Array(bytes));
        if (read.ok) put(read.sound);
        else setProblem({ says: `“${file.name}”: ${read.says}`, doThis: 'Choose a WAV file of one tap.' });
      }),
    again,
  };
}

/** The open microphone: its level, and every tap that is heard. */
function useEar(put: (recording: TapRecording) => void, tell: (problem: Taps['problem']) => void, full: boolean) {
  const [level, setLevel] = useState(0);
  const [listening, setListening] = useState(false);
  const [warnings, setWarnings] = useState<string[]>([]);
  const open = useRef<Microphone | null>(null);
  const wanted = useRef(false);
  const heardAt = useRef(0);
  const act = useRef({ put, tell });
  useEffect(() => {
    act.current = { put, tell };
  });
  const stop = () => {
    wanted.current = false;
    open.current?.close();
    open.current = null;
    setListening(false);
    setLevel(0);
  };
  const listen = () => {
    let listener: TapListener | null = null;
    wanted.current = true;
    setListening(true);
    tell(null);
    heardAt.current = Date.now();
    openMicrophone((piece, rate) => {
      listener ??= new TapListener(rate);
      const heard = listener.hear(piece);
      if (heard.kind === 'level') setLevel(heard.peak);
      else heardAt.current = Date.now();
      if (heard.kind === 'tap') act.current.put({ samples: heard.samples, rate });
      if (heard.kind === 'noTap') act.current.tell({ says: heard.check.says, doThis: heard.check.doThis });
      if (Date.now() - heardAt.current > NOTHING_HEARD_MS) {
        heardAt.current = Date.now();
        act.current.tell(NOTHING_HEARD);
      }
    }).then(
      (microphone) => {
        // Stopped, or left, while the browser was still asking.
        if (!wanted.current) return microphone.close();
        open.current = microphone;
        setWarnings(microphone.warnings);
      },
      () => {
        setListening(false);
        tell({ says: 'No microphone is to be had.', doThis: 'Allow it in the browser, plug one in, or read a WAV file.' });
      },
    );
  };
  useEffect(() => {
    if (!full || !open.current) return;
    open.current.close();
    open.current = null;
  }, [full]);
  useEffect(
    () => () => {
      wanted.current = false;
      open.current?.close();
    },
    [],
  );
  return { level: full ? 0 : level, listening: listening && !full, warnings, listen, stop };
}

/** The worker’s reading of three taps, asked anew when one of them or the cloth changes. */
function useReading(asked: Omit<TapsInput, 'taps'>, taps: TapSet): { reading: TapsAnswer | null; busy: boolean } {
  const worker = useRef<TapWorker | null>(null);
  const [answer, setAnswer] = useState<{ key: string; taps: TapSet; reading: TapsAnswer } | null>(null);
  const { C, X, Y } = taps;
  const key = JSON.stringify(asked);
  useEffect(() => {
    if (!C || !X || !Y) return;
    const calling = new AbortController();
    worker.current ??= tapWorker();
    worker.current
      .run('analyse', { ...(JSON.parse(key) as Omit<TapsInput, 'taps'>), taps: { C, X, Y } }, { signal: calling.signal })
      .then(
        (reading) => setAnswer({ key, taps, reading }),
        (error: Error) => {
          if (error instanceof TaskCancelled) return;
          setAnswer({ key, taps, reading: { kind: 'failed', says: 'The reading broke off.', doThis: 'Tap again.' } });
        },
      );
    return () => calling.abort();
  }, [C, X, Y, taps, key]);
  useEffect(() => () => worker.current?.close(), []);
  const all = C !== undefined && X !== undefined && Y !== undefined;
  const fresh = all && answer?.key === key && answer.taps === taps;
  return { reading: fresh ? answer.reading : null, busy: all && !fresh };
}
