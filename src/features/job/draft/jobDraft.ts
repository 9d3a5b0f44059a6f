/*
 * The job as it is being typed, outside of React: changes at once, saved by itself, with undo. A save carries
 * the revision it started from; a stale one is refused and both versions are kept for the maker to choose.
 */
import type { JobInputs } from '@/core/job/job';
import { mergeInputs } from '@/core/job/mergeInputs';
import { laidForItsCut } from '@/core/stages/cloth/laidAgain';
import type { StageId } from '@/core/stages/stages';
import type { StoredJob } from '@/db/jobs';
import type { Outcome, Refusal } from '@/server/write/outcome';
import { refusalWords } from '../../refusalWords';
import { newRequestId } from '../../sender';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'failed' | 'stale';

export interface DraftState {
  inputs: JobInputs;
  revision: number;
  save: SaveState;
  /** The last save got no answer: the workshop is out of reach. */
  away: boolean;
  /** What went wrong with the last save; empty when nothing did. */
  says: string;
  /** Stages whose typing gave way to a record made elsewhere. */
  yielded: readonly StageId[];
  /** The version in the workshop when a save was refused as stale. */
  theirs: StoredJob | null;
  /** Stages that both changed, where the one or the other has to be taken. */
  collided: readonly StageId[];
  /** Stages that came in from elsewhere while something else was typed here. */
  merged: readonly StageId[];
  /** How often something came in from elsewhere: its log is asked for then. */
  met: number;
  canUndo: boolean;
}

/** A save as it is sent; its id is the same when it is sent again. */
export interface SentInputs {
  requestId: string;
  jobId: string;
  revision: number;
  inputs: JobInputs;
}
export type SaveInputs = (sent: SentInputs) => Promise<Outcome<StoredJob>>;

const LONGEST_PAST = 200;

const isSame = (one: JobInputs, other: JobInputs): boolean => JSON.stringify(one) === JSON.stringify(other);

export class JobDraft {
  private state: DraftState;
  private saved: JobInputs;
  /** What was typed goes out from `saved`; not where it was brought from an older page. */
  private grounded = true;
  private past: { inputs: JobInputs; field: string }[] = [];
  private listeners = new Set<() => void>();
  private running: Promise<boolean> | null = null;
  private ticked: { kit: readonly string[]; from: JobInputs; inputs: JobInputs } | null = null;
  /** A save whose answer never came: it may have been carried out, and is asked about before anything newer is sent. */
  private unanswered: SentInputs | null = null;

  constructor(
    private readonly job: StoredJob,
    private readonly send: SaveInputs,
    /** Whoever looks on may try numbers: only ticks of the kit are saved. */
    private readonly looksOn = false,
  ) {
    this.saved = job.inputs;
    this.state = {
      inputs: job.inputs,
      revision: job.revision,
      save: 'saved',
      away: false,
      says: '',
      yielded: [],
      theirs: null,
      collided: [],
      merged: [],
      met: 0,
      canUndo: false,
    };
  }

  read = (): DraftState => this.state;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Changes one stage. Keystrokes in one field are one step back, however many there were. */
  change = <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>): void => {
    const { inputs } = this.state;
    const changed = laidForItsCut(inputs, { ...inputs, [stage]: { ...inputs[stage], ...patch } });
    this.typed(changed, `${stage}.${Object.keys(patch).join(',')}`);
  };

  setKit = (kit: string[]): void => this.typed({ ...this.state.inputs, kit }, '');

  undo = (): void => {
    const last = this.past.pop();
    if (last) this.put({ inputs: last.inputs, save: this.unsaved() });
  };

  /**
   * Saves now; true when all that was typed is on the disk. One save runs at a time.
   *
   * @param then what stood when something was done that is handed in after it; what was typed since goes with a later save
   */
  flush = async (then?: JobInputs): Promise<boolean> => {
    while (this.running) await this.running;
    this.running = this.saveOnce(then);
    const ok = await this.running;
    this.running = null;
    return ok;
  };

  /** A record was refused because somebody saved in between: where nothing is typed, what stands now is taken. */
  meet = (theirs: StoredJob): void => void this.meetSave(theirs);

  /**
   * Somebody saved in between: stages that only one of us changed are put together, a stage that both changed is asked about.
   *
   * @returns whether nothing is to choose
   */
  private meetSave(theirs: StoredJob): boolean {
    const { inputs, collided, theirs: merged } = this.merge(theirs, 'mine');
    if (collided.length > 0) {
      this.put({ save: 'stale', theirs, collided });
      return false;
    }
    const own = !isSame(inputs, theirs.inputs);
    if (!own) this.take(theirs, false);
    else this.goOn(theirs, inputs, 'unsaved');
    this.put({ merged, met: this.state.met + 1 });
    return true;
  }

  private merge = (theirs: StoredJob, prefer: 'mine' | 'theirs') =>
    mergeInputs(this.grounded ? this.saved : null, this.state.inputs, theirs.inputs, prefer);

  private goOn(job: StoredJob, inputs: JobInputs, save: SaveState): void {
    this.saved = job.inputs;
    this.grounded = true;
    this.unanswered = null;
    this.put({ inputs, revision: job.revision, theirs: null, collided: [], says: '', save });
  }

  /** Goes on from another version: of what both changed, mine or theirs; what only one of us changed stands either way. */
  take = (job: StoredJob, keepMine: boolean): void => {
    const { inputs } = this.merge(job, keepMine ? 'mine' : 'theirs');
    const own = !isSame(inputs, job.inputs);
    if (!keepMine) this.past = [];
    this.goOn(job, own ? inputs : job.inputs, own ? 'unsaved' : 'saved');
  };

  /**
   * The job as the workshop has it now: a page that is shown again may be older. What was typed here and not saved stays, and
   * where somebody saved meanwhile both versions are shown. While a save is unanswered, the newer version may be that save: it is
   * asked about first, when it is sent again.
   *
   * @returns whether anything on the page was older
   */
  learn = (job: StoredJob): boolean => {
    const { revision, inputs, save } = this.state;
    if (save === 'saving' || save === 'stale' || this.unanswered || job.revision <= revision) return false;
    if (inputs === this.saved) this.take(job, false);
    else this.meetSave(job);
    return true;
  };

  /**
   * Goes on from what was typed before this page was loaded: on the same revision it is saved, on an older one it is asked about.
   *
   * @returns false where the workshop has it already
   */
  resume = ({ revision, inputs }: { revision: number; inputs: JobInputs }): boolean => {
    if (isSame(inputs, this.saved)) return false;
    const theirs = { ...this.job, inputs: this.saved, revision: this.state.revision };
    this.put({ inputs, save: 'unsaved' });
    this.grounded = revision === this.state.revision;
    if (!this.grounded) this.meet(theirs);
    return true;
  };

  private typed(inputs: JobInputs, field: string): void {
    if (field === '' || this.past.at(-1)?.field !== field)
      this.past = [...this.past.slice(-LONGEST_PAST), { inputs: this.state.inputs, field }];
    this.put({ inputs, save: this.unsaved(), merged: [] });
  }

  /** What of the inputs goes to the workshop: all, or what stands there with other ticks. */
  private keptOf(inputs: JobInputs): JobInputs {
    if (!this.looksOn) return inputs;
    if (this.ticked?.kit !== inputs.kit || this.ticked.from !== this.saved)
      this.ticked = {
        kit: inputs.kit,
        from: this.saved,
        inputs: inputs.kit === this.saved.kit ? this.saved : { ...this.saved, kit: inputs.kit },
      };
    return this.ticked.inputs;
  }

  private unsaved = (): SaveState => (this.state.save === 'stale' ? 'stale' : 'unsaved');

  private async saveOnce(then?: JobInputs): Promise<boolean> {
    const { revision, save } = this.state;
    if (save === 'stale') return false;
    const kept = this.keptOf(then ?? this.state.inputs);
    if (then ? isSame(kept, this.saved) : kept === this.saved) {
      if (then) return true;
      if (save !== 'saved') this.put({ save: 'saved', says: '' });
      return true;
    }
    this.put({ save: 'saving' });
    const sent = this.unanswered ?? { requestId: newRequestId(), jobId: this.job.id, revision, inputs: kept };
    this.unanswered = sent;
    try {
      const outcome = await this.send(sent);
      this.unanswered = null;
      if (!outcome.ok) return this.refused(outcome);
      this.saved = sent.inputs;
      const newer = this.keptOf(this.state.inputs) !== sent.inputs;
      this.put({ revision: outcome.value.revision, away: false, says: '', save: newer ? 'unsaved' : 'saved' });
      // What was typed after the save that went unanswered goes now.
      return sent.inputs === kept || this.saveOnce(then);
    } catch {
      this.put({
        save: 'failed',
        away: true,
        says: 'The server does not answer. What you typed stays here and is saved when it is back.',
      });
      return false;
    }
  }

  private refused(refusal: Refusal): boolean | Promise<boolean> {
    if (refusal.kind === 'stale') return this.meetSave(refusal.theirs) && (this.state.save === 'saved' || this.saveOnce());
    if (refusal.kind === 'locked') return this.yieldTo(refusal.stages);
    this.put({ save: 'failed', away: false, says: refusalWords(refusal) });
    return false;
  }

  /** Stages that were recorded elsewhere meanwhile stand as they were recorded; what is typed for the others is saved. */
  private yieldTo(stages: readonly StageId[]): Promise<boolean> {
    const recorded = Object.fromEntries(stages.map((stage) => [stage, this.saved[stage]]));
    this.put({ inputs: { ...this.state.inputs, ...recorded }, yielded: stages, met: this.state.met + 1 });
    return this.saveOnce();
  }

  private put(change: Partial<DraftState>): void {
    this.state = { ...this.state, ...change, canUndo: this.past.length > 0 };
    for (const listener of this.listeners) listener();
  }
}
