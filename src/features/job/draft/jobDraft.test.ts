import { describe, expect, it } from 'vitest';
import { newInputs } from '@/core/job/job';
import { length } from '@/core/units/length';
import type { StoredJob } from '@/db/jobs';
import type { Outcome } from '@/server/write/outcome';
import { refusalWords } from '../../refusalWords';
import { JobDraft, type SentInputs } from './jobDraft';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { differences } from '@/core/job/differences';

const job: StoredJob = {
  id: 'a',
  number: 101,
  createdAt: '2031-05-04T12:00:00Z',
  inputs: newInputs('Harbour', length(900), length(600)),
  revision: 1,
};

/** A server that takes every save whose revision is its own, and can be made to answer late or not at all. */
function server() {
  const state = { job, saves: 0, away: false, release: null as null | (() => void), slow: false };
  /** What stands between the draft and the server. */
  const send = { through: (_sent: SentInputs, act: () => Promise<Outcome<StoredJob>>) => act() };
  const save = async ({ revision, inputs }: SentInputs): Promise<Outcome<StoredJob>> => {
    state.saves += 1;
    if (state.away) throw new Error('connection refused');
    if (state.slow) await new Promise<void>((resolve) => (state.release = resolve));
    if (revision !== state.job.revision) return { ok: false, kind: 'stale', theirs: state.job };
    state.job = { ...state.job, inputs, revision: revision + 1 };
    return { ok: true, value: state.job };
  };
  return { state, send, draft: new JobDraft(job, (sent) => send.through(sent, () => save(sent))) };
}
const title = (draft: JobDraft) => draft.read().inputs.brief.title;

describe('the draft of a job', () => {
  it('takes back the tick of a frame that was laid on the cloth when another cut is typed, and undo brings both back', () => {
    const { draft } = server();
    draft.change('cloth', { laidAgain: true });
    draft.change('brief', { title: 'Harbour, evening' });
    expect(draft.read().inputs.cloth.laidAgain).toBe(true);
    draft.change('cloth', { warp: 'height' });
    expect(draft.read().inputs.cloth).toMatchObject({ warp: 'height', laidAgain: false });
    draft.undo();
    expect(draft.read().inputs.cloth).toMatchObject({ warp: 'width', laidAgain: true });
  });

  it('saves what was typed, once, and carries the new revision on', async () => {
    const { state, draft } = server();
    draft.change('brief', { title: 'Harbour, evening' });
    expect(draft.read()).toMatchObject({ save: 'unsaved', revision: 1 });
    expect(await draft.flush()).toBe(true);
    expect(draft.read()).toMatchObject({ save: 'saved', revision: 2 });
    expect(await draft.flush()).toBe(true);
    expect(state.saves).toBe(1);
    draft.setKit(['tape']);
    expect(await draft.flush()).toBe(true);
    expect(state.job).toMatchObject({ revision: 3, inputs: { kit: ['tape'], brief: { title: 'Harbour, evening' } } });
  });

  it('keeps what is typed while a save is under way, and saves that too', async () => {
    const { state, draft } = server();
    state.slow = true;
    draft.change('brief', { title: 'one' });
    const first = draft.flush();
    draft.change('brief', { title: 'two' });
    state.slow = false;
    const second = draft.flush();
    state.release!();
    expect([await first, await second]).toEqual([true, true]);
    expect(state.job.inputs.brief.title).toBe('two');
    expect(draft.read().save).toBe('saved');
  });

  it('undoes a field in one step, however many keys it took', () => {
    const { draft } = server();
    for (const typed of ['9', '91', '915']) draft.change('brief', { width: length(Number(typed)) });
    draft.change('bars', { bracesLevel: [0.5] });
    draft.setKit(['tape']);
    draft.undo();
    expect(draft.read().inputs.kit).toEqual([]);
    draft.undo();
    expect(draft.read().inputs.bars.bracesLevel).toEqual([]);
    draft.undo();
    expect(draft.read()).toMatchObject({ canUndo: false, inputs: { brief: { width: { mm: 900 } } } });
    draft.undo();
    expect(draft.read().inputs).toBe(job.inputs);
  });

  it('is saved again when undo leads back to what is on the disk', async () => {
    const { state, draft } = server();
    draft.change('brief', { title: 'a slip of the hand' });
    draft.undo();
    expect(draft.read().save).toBe('unsaved');
    expect(await draft.flush()).toBe(true);
    expect([draft.read().save, state.saves]).toEqual(['saved', 0]);
  });

  it('refuses to overwrite another version, shows it, and goes on from either', async () => {
    for (const keepMine of [false, true]) {
      const { state, draft } = server();
      state.job = { ...job, revision: 5, inputs: { ...job.inputs, brief: { ...job.inputs.brief, title: 'theirs' } } };
      draft.change('brief', { title: 'mine' });
      expect(await draft.flush()).toBe(false);
      expect(draft.read()).toMatchObject({ save: 'stale', theirs: { revision: 5 } });
      expect(title(draft)).toBe('mine');
      draft.change('brief', { note: 'still typing' });
      expect(await draft.flush()).toBe(false);
      draft.take(draft.read().theirs!, keepMine);
      expect(title(draft)).toBe(keepMine ? 'mine' : 'theirs');
      expect(await draft.flush()).toBe(true);
      expect(state.job.inputs.brief.title).toBe(keepMine ? 'mine' : 'theirs');
    }
  });

  it('puts together what each of us changed at another stage, asks only about the same, and keeps the rest either way', async () => {
    const { state, draft } = server();
    state.job = { ...job, revision: 5, inputs: { ...job.inputs, bars: { ...job.inputs.bars, bracesLevel: [0.5] } } };
    draft.change('brief', { title: 'mine' });
    expect(await draft.flush()).toBe(true);
    expect(draft.read()).toMatchObject({ save: 'saved', revision: 6, merged: ['bars'] });
    expect(state.job.inputs).toMatchObject({ brief: { title: 'mine' }, bars: { bracesLevel: [0.5] } });
    const theirs = { ...state.job.inputs, brief: { ...job.inputs.brief, title: 'theirs' } };
    state.job = { ...state.job, revision: 9, inputs: theirs };
    draft.change('brief', { title: 'mine again' });
    draft.change('square', { up: length(1080) });
    expect(await draft.flush()).toBe(false);
    expect(draft.read()).toMatchObject({ save: 'stale', collided: ['brief'] });
    draft.take(draft.read().theirs!, false);
    expect(await draft.flush()).toBe(true);
    expect(state.job.inputs).toMatchObject({ brief: { title: 'theirs' }, square: { up: { mm: 1080 } } });
  });

  it('asks nothing where the same was saved elsewhere', async () => {
    const { state, draft } = server();
    state.job = { ...job, revision: 5, inputs: { ...job.inputs, brief: { ...job.inputs.brief, title: 'the same' } } };
    draft.change('brief', { title: 'the same' });
    expect(await draft.flush()).toBe(true);
    expect(draft.read()).toMatchObject({ save: 'saved', revision: 5, theirs: null });
  });

  it('loses nothing while the server is away', async () => {
    const { state, draft } = server();
    state.away = true;
    draft.change('brief', { title: 'typed in the dark' });
    expect(await draft.flush()).toBe(false);
    expect(draft.read()).toMatchObject({
      save: 'failed',
      says: expect.stringMatching(/^The server does not answer\. What you typed stays/) as string,
    });
    state.away = false;
    expect(await draft.flush()).toBe(true);
    expect(draft.read()).toMatchObject({ save: 'saved', says: '' });
    expect(state.job.inputs.brief.title).toBe('typed in the dark');
  });

  it('asks once more about a save whose answer was lost, then saves what was typed after it', async () => {
    const { state, draft, send } = server();
    const ids: string[] = [];
    const answered = new Map<string, Outcome<StoredJob>>();
    let lose = true;
    send.through = async (sent, act) => {
      ids.push(sent.requestId);
      const before = answered.get(sent.requestId);
      const outcome = before ?? (await act());
      answered.set(sent.requestId, outcome);
      if (lose) throw new Error('the answer was lost');
      return outcome;
    };
    draft.change('brief', { title: 'first' });
    expect(await draft.flush()).toBe(false);
    draft.change('brief', { title: 'second' });
    lose = false;
    expect(await draft.flush()).toBe(true);
    expect(state.job).toMatchObject({ revision: 3, inputs: { brief: { title: 'second' } } });
    expect([ids.length, new Set(ids).size]).toEqual([3, 2]);
    expect(draft.read()).toMatchObject({ save: 'saved', revision: 3, theirs: null });
  });

  it('takes a save of its own whose answer was lost for nobody else’s, when it learns of it before it is sent again', async () => {
    const { state, send, draft } = server();
    draft.change('square', { down: length(1081) });
    const answers = new Map<string, Outcome<StoredJob>>();
    send.through = async ({ requestId }, act) => {
      const known = answers.get(requestId);
      if (known) return known;
      answers.set(requestId, await act());
      if (answers.size === 1) throw new Error('the answer was lost');
      return answers.get(requestId)!;
    };
    expect(await draft.flush()).toBe(false);
    draft.change('square', { up: length(1082) });
    expect(draft.learn(state.job)).toBe(false);
    expect(draft.read()).toMatchObject({ theirs: null, collided: [] });
    expect(await draft.flush()).toBe(true);
    expect(state.job).toMatchObject({ revision: 3, inputs: { square: { down: { mm: 1081 }, up: { mm: 1082 } } } });
  });

  it('goes on with mine after a record elsewhere: what was recorded stands, the rest of what I typed is saved', async () => {
    const { state, draft, send } = server();
    send.through = async ({ inputs }, act) =>
      inputs.brief.title === 'Harbour' ? act() : { ok: false, kind: 'locked', stages: ['brief'] };
    draft.change('brief', { title: 'mine' });
    draft.change('bars', { bracesLevel: [0.5] });
    // Nothing that was typed elsewhere collides: nothing is asked.
    draft.meet({ ...job, revision: 1 });
    expect(draft.read()).toMatchObject({ save: 'unsaved', theirs: null });
    expect(await draft.flush()).toBe(true);
    expect(draft.read()).toMatchObject({ save: 'saved', yielded: ['brief'] });
    expect(state.job.inputs).toMatchObject({ brief: { title: 'Harbour' }, bars: { bracesLevel: [0.5] } });
  });

  it('learns of a newer version: takes it where nothing was typed, shows both where something was', () => {
    const newer = { ...job, revision: 4, inputs: { ...job.inputs, brief: { ...job.inputs.brief, title: 'Newer' } } };
    const { draft: idle } = server();
    expect(idle.learn({ ...newer, revision: 1 })).toBe(false);
    expect(title(idle)).toBe('Harbour');
    expect(idle.learn(newer)).toBe(true);
    expect(idle.read()).toMatchObject({ revision: 4, save: 'saved' });
    expect(title(idle)).toBe('Newer');
    const { draft: typing } = server();
    typing.change('brief', { title: 'Mine' });
    expect(typing.learn(newer)).toBe(true);
    expect(typing.read()).toMatchObject({ save: 'stale', theirs: newer });
    expect(title(typing)).toBe('Mine');
  });

  it('resumes what was typed before: saved on the same revision, asked about on an older one, forgotten when it is there', async () => {
    const typed = { ...job.inputs, brief: { ...job.inputs.brief, title: 'Typed before' } };
    const { draft, state } = server();
    draft.resume({ revision: 1, inputs: typed });
    expect(draft.read().save).toBe('unsaved');
    expect(await draft.flush()).toBe(true);
    expect(state.job.inputs.brief.title).toBe('Typed before');
    const { draft: late, state: other } = server();
    late.resume({ revision: 0, inputs: typed });
    expect(late.read()).toMatchObject({ save: 'stale', theirs: { revision: 1, inputs: job.inputs } });
    expect(await late.flush()).toBe(false);
    expect(other.saves).toBe(0);
    const { draft: same } = server();
    same.resume({ revision: 0, inputs: structuredClone(job.inputs) });
    expect(same.read().save).toBe('saved');
  });

  it('tells the difference of two versions in words', () => {
    const theirs = {
      ...job.inputs,
      kit: ['tape'],
      brief: { ...job.inputs.brief, title: 'Quay', width: length(36 * 25.4, 'in') },
      square: { ...job.inputs.square, up: length(1080) },
      cloth: {
        ...job.inputs.cloth,
        seams: 'leftRight' as const,
        left: { ...job.inputs.cloth.left, top: { first: length(50), second: null } },
      },
      fasten: { ...job.inputs.fasten, route: 'cornerHeld' as const, secondRound: true },
    };
    expect(differences(job.inputs, theirs, DEFAULT_RULES)).toEqual([
      { field: 'Brief, title', mine: 'Harbour', theirs: 'Quay' },
      { field: 'Brief, width', mine: '900 mm', theirs: '36"' },
      { field: 'Square, up', mine: 'empty', theirs: '1080 mm' },
      { field: 'Cloth, seams', mine: 'top bottom', theirs: 'left right' },
      { field: 'Cloth, left, top, first', mine: 'empty', theirs: '50 mm' },
      { field: 'Fasten, route', mine: 'Compass, opposites', theirs: expect.stringMatching(/^[A-Z][^A-Z]+$/) as string },
      { field: 'Fasten, second round', mine: 'no', theirs: 'yes' },
      { field: 'Kit', mine: '0 ticked', theirs: '1 ticked' },
    ]);
    expect(refusalWords({ ok: false, kind: 'locked', stages: ['bars'] })).toMatch(/^Bars is recorded/);
  });
});
