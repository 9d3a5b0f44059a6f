'use client';
/* The bar above a step: which canvas, which stage, how far; turn, voice, ear, note, full screen, leave. */
import { Ear, Maximize, NotebookPen, RotateCw, Volume2, VolumeX, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import type { Quarter } from '@/core/bench/benchRun';
import type { BenchStep } from '@/core/bench/benchStep';
import type { View } from '@/core/job/sideWords';
import { stageById } from '@/core/stages/stages';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import type { BenchVoice } from './useBenchVoice';

const TURNED = ['', 'to the right', 'upside down', 'to the left'] as const;

interface BenchToolsProps {
  number: number;
  title: string;
  step: BenchStep;
  at: number;
  of: number;
  view: View;
  quarter: Quarter;
  saved: boolean;
  lit: boolean | null;
  /** What somebody else did just now, or null. */
  told: string | null;
  voice: BenchVoice;
  onTurn: () => void;
  onNote: () => void;
  onFull: () => void;
  onLeave: () => void;
}

export function BenchTools({
  number,
  title,
  step,
  at,
  of,
  view,
  quarter,
  saved,
  lit,
  told,
  voice,
  onTurn,
  onNote,
  onFull,
  onLeave,
}: BenchToolsProps) {
  return (
    <header className="hair-b flex flex-wrap items-center gap-x-3 px-4 py-1">
      <div className="min-w-0 flex-1 basis-48">
        <h1 className="truncate text-[17px] leading-6 font-semibold">
          No. {number} {title}
        </h1>
        <p className="figure text-[15px] leading-5">
          {stageById(step.stage).name}, <span data-testid="bench-at">{`${at} of ${of}`}</span>, {step.group}, seen from the {view}
          {quarter > 0 && `, turned ${TURNED[quarter]}`}
          {!saved && <strong> · on its way</strong>}
          {lit === false && ' · the screen may go dark'}
        </p>
      </div>
      <div className="flex" role="group" aria-label="Tools">
        <Tool name="Turn the frame" keyName="T" onPress={onTurn}>
          <RotateCw aria-hidden className="size-6" />
        </Tool>
        <Tool name="Say each step" keyName="V" on={voice.speaks} onPress={() => voice.setSpeaks(!voice.speaks)}>
          {voice.speaks ? <Volume2 aria-hidden className="size-6" /> : <VolumeX aria-hidden className="size-6" />}
        </Tool>
        <Tool name="Hear words" on={voice.hears} onPress={() => voice.setHears(!voice.hears)}>
          <Ear aria-hidden className="size-6" />
        </Tool>
        <Tool name="Note or photograph" keyName="M" onPress={onNote}>
          <NotebookPen aria-hidden className="size-6" />
        </Tool>
        <Tool name="Full screen" keyName="F" onPress={onFull}>
          <Maximize aria-hidden className="size-6" />
        </Tool>
        <Tool name="Leave the bench" keyName="Esc" onPress={onLeave}>
          <X aria-hidden className="size-7" />
        </Tool>
      </div>
      {told && (
        <p role="status" className="basis-full text-[16px]" data-testid="job-news">
          {told}
        </p>
      )}
      {voice.speaks && (
        <p className="basis-full text-[16px]" data-testid="bench-said">
          Said: {voice.said}
        </p>
      )}
      {voice.hears && <Heard voice={voice} />}
    </header>
  );
}

interface ToolProps {
  name: string;
  keyName?: string;
  on?: boolean;
  onPress: () => void;
  children: ReactNode;
}

const Tool = ({ name, keyName, on, onPress, children }: ToolProps) => (
  <button
    type="button"
    className={`btn size-[56px] px-0 ${on ? 'btn-neutral' : 'btn-ghost'}`}
    aria-label={name}
    aria-pressed={on}
    title={keyName ? `${name} (${keyName})` : name}
    onClick={(event) => {
      // The keys go on with the steps: Space is not this button’s for good.
      event.currentTarget.blur();
      onPress();
    }}
  >
    {children}
  </button>
);

/** What was heard; and a line to type where the browser has no ear. */
function Heard({ voice }: { voice: BenchVoice }) {
  const [line, setLine] = useState('');
  return (
    <div className="flex basis-full flex-wrap items-center gap-x-3 pb-1 text-[16px]">
      {voice.hasEar ? (
        <span>
          Say next, back, again, note …, or a number. Some browsers send what they hear to a service of theirs: ask before you use
          it for others’ words.
        </span>
      ) : (
        <Form
          className="flex flex-1 items-center gap-2"
          onSend={() => {
            if (line.trim() !== '') voice.hear(line);
            setLine('');
            return null;
          }}
        >
          <div className="min-w-40 flex-1">
            <TextField
              label="What would be said"
              hideLabel
              of="label"
              className="h-[56px] text-lg"
              placeholder="No ear in this browser: type next, back, note …, or a number"
              value={line}
              onChange={setLine}
            />
          </div>
          <SendButton className="btn btn-outline h-[56px]">Say it</SendButton>
        </Form>
      )}
      <span role="status" data-testid="bench-heard">
        {voice.heard ? `${voice.heard.understood ? 'Heard' : 'Not understood'}: ${voice.heard.words}` : voice.shut}
      </span>
    </div>
  );
}
