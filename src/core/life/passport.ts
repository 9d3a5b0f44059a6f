/*
 * The passport of a canvas, given away with it: what it is made of, what was measured, how to keep and to key it, what never to do.
 * It is read by people as it is, and by another workshop as a canvas that was made elsewhere.
 */
import { printed } from '../quantities/printed';
import type { JobCase } from '../case/jobCase';
import type { NOT_KNOWN } from '../stages/brief/briefInputs';
import { SHAPE_VERSION } from '../file/shapeVersion';
import { JOINTS } from '../frame/joints';
import { type Materials, materialsShape } from '../house/materials';
import { byId } from '../house/schools';
import { type JobInputs, idText, jobInputsShape, momentText } from '../job/job';
import { isStretching, standingEntries } from '../log/jobHistory';
import { type LogEntry, logEntryShape } from '../log/logEntry';
import { primingOf } from '../prime/primingOf';
import { type ShapeOf, listOf, oneOf, part, text, whole, numberOf } from '../shape/shape';
import { braceWords } from '../stages/bars/braceWords';
import { type Permission, mayBeDone } from '../stages/look/mayBeDone';
import { tensionWords } from '../stages/tune/tensionWords';
import { printSize, type Tape } from '../units/length';

export const PASSPORT_FORMAT = 'keen-batten/passport';

const lines = listOf(text(0, 300), 40);

/** What people read. */
const saysShape = { materials: lines, measures: lines, keep: lines, key: lines, never: lines };
export interface PassportSays extends ShapeOf<typeof saysShape> {}

export const passportShape = {
  format: oneOf([PASSPORT_FORMAT]),
  version: oneOf([SHAPE_VERSION]),
  /** Where it was made, its number and id there, and when it was stretched. */
  made: part('made', { workshop: text(0, 120), number: whole(1, 1_000_000), id: idText, at: momentText }),
  says: part('passportSays', saysShape),
  inputs: part('inputs', jobInputsShape),
  /** Bars, woods and cloths of the house that other workshops may not have. */
  materials: part('materials', materialsShape),
  /** Ground that is on it, dry, g/m². */
  dryGroundGPerM2: numberOf('dryGround', 0),
  /** What was measured and what became of it since, oldest first; without plans. */
  life: listOf(part('logEntry', logEntryShape), 2000),
};

export interface Passport extends ShapeOf<typeof passportShape> {
  inputs: JobInputs;
  materials: Materials;
  life: LogEntry[];
}

/** Kinds of entries that go along: what was seen, measured and done on it, no record of the work itself. */
export const GOES_ALONG: readonly LogEntry['kind'][] = ['reading', 'remedy', 'event', 'hung'];

/** What people read of a canvas: sentences, figures with their units. */
export function passportSays({ inputs, plan, house, history, progress }: JobCase): PassportSays {
  const { tape } = house;
  const { brief, bars, handover } = inputs;
  const { opener } = plan.tune;
  const measured = history.tensions.filter(({ tool }) => tool !== 'hand');
  const soFar = Math.max(...Object.values(history.opened));
  const painted = progress.painted;
  const lacks = (what: (typeof NOT_KNOWN)[number]) => brief.notKnown.includes(what);
  return {
    materials: [
      `Face ${printSize(brief.width.mm, brief.height.mm, tape)}${weightWords(handover.weighedKg, lacks('bars') ? null : plan.handover.totalKg, tape)}.`,
      lacks('bars')
        ? 'Bars: not known.'
        : `Bars: ${plan.bars.profile.name}, ${printSize(plan.bars.profile.widthMm, plan.bars.profile.depthMm, tape)}; ${byId(JOINTS, bars.joint).name.toLowerCase()}; ${braceWords(bars)}.`,
      `Cloth: ${lacks('cloth') ? 'not known' : plan.cloth.fabric.name}.`,
      painted
        ? 'It carries a finished image.'
        : lacks('ground')
          ? 'Ground: not known.'
          : progress.coatsDone > 0
            ? `Ground: ${primingOf(inputs).name}.`
            : 'Not primed.',
    ],
    measures: [
      ...measured
        .slice(-6)
        .map(
          (one) =>
            `${one.at.slice(0, 10)}: ${tensionWords(one.nPerM, one.sdNPerM)} by ${one.tool}${one.rh === null ? '' : `, at ${printed('humidity', one.rh)}`}.`,
        ),
      ...(measured.length === 0 ? ['Its tension was not measured.'] : []),
    ],
    keep: [
      airWords(mayBeDone('hang', inputs)),
      'A canvas goes slack in damp air and tightens when it dries: wait before you touch it.',
      dustWords(mayBeDone('brush', inputs)),
    ],
    key: keyWords(lacks('bars') ? 'notKnown' : (opener?.kind ?? null), soFar, mayBeDone('key', inputs), tape),
    never: [
      'Never wet the back, and never press on it: from behind, paint cracks without a sign at first.',
      'Never lean it against anything that touches the cloth, and never carry it by its braces.',
      'Never drive nails or screws through the bars from the front, and never hang it by a brace.',
      ...rollWords(painted, mayBeDone('roll', inputs)),
      ...travelWords(mayBeDone('travel', inputs)),
      'Flaking, a tear or mould: leave it as it is and ask a conservator.',
    ],
  };
}

const weightWords = (weighedKg: number | null, workedOutKg: number | null, tape: Tape): string => {
  if (weighedKg !== null) return `, ${printed('mass', weighedKg, tape)} on the scale`;
  return workedOutKg === null ? '' : `, ${printed('mass', workedOutKg, tape)}, worked out`;
};

const rollWords = (painted: boolean, rolling: Permission): string[] => {
  if (!painted) return [];
  return [rolling.may === 'allowed' ? 'Never roll it face in.' : `Never roll it. ${rolling.says}`];
};

const airWords = (hanging: Permission): string =>
  hanging.may === 'allowed'
    ? 'Hang it in even air, 40 to 60 % RH, away from heaters, sun and damp outer walls; leave room behind it for air.'
    : `It is not hung: keep it flat, face up, in even air, 40 to 60 % RH. ${hanging.says}`;

const travelWords = (travelling: Permission): string[] =>
  travelling.may === 'allowed' ? [] : [`Never send it away as it is. ${travelling.says}`];

const dustWords = (brushing: Permission): string =>
  brushing.may === 'allowed'
    ? 'Dust it with a soft dry brush, the face and the top edge; nothing wet.'
    : `Leave its dust: ${brushing.says.charAt(0).toLowerCase()}${brushing.says.slice(1)} Ask a conservator; nothing wet.`;

function keyWords(kind: 'key' | 'bolt' | 'notKnown' | null, soFarMm: number, keying: Permission, tape: Tape): string[] {
  if (keying.may !== 'allowed') return [`It is not keyed. ${keying.says}`];
  if (kind === 'notKnown') return ['How its corners open is not known: look behind before anything is turned or driven in.'];
  if (kind === null)
    return ['Its corners are fixed: it is not keyed. A slack cloth is drawn and set again by whoever stretches canvas.'];
  const open =
    soFarMm > 0 ? [`Its corners are open by up to ${printed('opening', soFarMm, tape)}.`] : ['Its corners are closed.'];
  return [
    ...open,
    kind === 'bolt'
      ? 'Turn the bolts, a quarter turn at each of the four corners, then again; never one corner alone.'
      : 'Card behind every key, the canvas face down on a soft clean table; a tap or two at each of the four corners, then again.',
    'Stop when the cloth gives a low note, and measure both diagonals: they must stay alike.',
    'Leave it a day before more; one corner further open than the others takes the frame out of square.',
  ];
}

/**
 * The passport of a canvas.
 *
 * @param log its entries, oldest first; of a canvas that was stretched before, those too
 * @param materials of the house
 * @throws RangeError for a canvas that is not stretched
 */
export function passportOf(
  here: JobCase,
  log: readonly LogEntry[],
  { id, number: ownNumber }: { id: string; number: number },
  { profiles, species, fabrics }: Materials,
): Passport {
  const entries = standingEntries(log);
  const stretched = entries.findLast(isStretching);
  if (!stretched) throw new RangeError('a canvas that is not stretched has no passport');
  const { inputs } = here;
  return {
    format: PASSPORT_FORMAT,
    version: SHAPE_VERSION,
    made: { workshop: here.house.rules.workshop, number: ownNumber, id, at: stretched.at },
    says: passportSays(here),
    inputs,
    materials: {
      profiles: profiles.filter((row) => row.id === inputs.bars.profile),
      species: species.filter((row) => row.id === inputs.bars.species),
      fabrics: fabrics.filter((row) => row.id === inputs.cloth.fabric),
    },
    dryGroundGPerM2: here.history.dryGroundGPerM2,
    life: entries
      .filter(({ kind }, index) => GOES_ALONG.includes(kind) && index > entries.indexOf(stretched))
      .map((entry) => ({ ...entry, plan: null })),
  };
}

/** The file’s text: two-space JSON with a last newline. */
export const printPassport = (passport: Passport): string => `${JSON.stringify(passport, null, 2)}\n`;
