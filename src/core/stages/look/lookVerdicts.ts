import { byId } from '../../house/schools';
import { type Verdict, verdict } from '../../job/verdict';
import { type Care, asksWords } from './care';
import { CONDITIONS } from './conditions';
import { DECISIONS, type LookInputs } from './lookInputs';

/** What is judged of a painting that is looked at: whether it was, what each condition asks, who decided. */
export function lookVerdicts(look: LookInputs, care: Care): Verdict[] {
  return [
    ...lookedVerdict(look),
    ...conservatorVerdict(look, care),
    ...conditionVerdicts(look, care),
    ...valueVerdict(look, care),
  ];
}

function lookedVerdict({ lookedOver, conditions }: LookInputs): Verdict[] {
  if (!lookedOver)
    return [
      verdict({
        id: 'lookedOver',
        about: 'looked over',
        level: 'stop',
        says: 'It is not looked over yet.',
        because: 'What nobody looked for is not known to be absent.',
        doThis: 'Look at the front in raking light, the back, and all four edges; mark what you see, then say that you looked.',
      }),
    ];
  if (conditions.length > 0) return [];
  return [
    verdict({
      id: 'lookedOver',
      about: 'looked over',
      level: 'good',
      says: 'Front, back and edges were looked at: nothing was found.',
      because: 'A maker’s eye, not an examination.',
    }),
  ];
}

function conservatorVerdict({ decided, decidedBy }: LookInputs, care: Care): Verdict[] {
  if (!care.conservatorFirst) return [];
  const decision = byId(DECISIONS, decided);
  if (decision.opens)
    return [
      verdict({
        id: 'conservator',
        about: 'conservator',
        level: decidedBy.trim() === '' ? 'watch' : 'good',
        says: `${decision.name}${decidedBy.trim() === '' ? ', but not who it was' : `: ${decidedBy.trim()}`}.`,
        because: `It has ${asksWords(care)}.`,
        doThis:
          decidedBy.trim() === ''
            ? 'Write down who it was: whoever opens it next will ask.'
            : 'Keep to what was allowed; stop when anything new shows.',
      }),
    ];
  return [
    verdict({
      id: 'conservator',
      about: 'conservator',
      level: 'watch',
      says: `A conservator first: it has ${asksWords(care)}.`,
      because: 'Until then clamping, fastening and keying are held; no reason of a maker opens them.',
      doThis:
        decided === 'owner'
          ? 'The owner’s wish does not make it safe. Let a conservator see it, and write down what was said.'
          : 'Let it lie flat, face up. Ask a conservator, and write down what was said and by whom.',
    }),
  ];
}

function conditionVerdicts({ conditions }: LookInputs, care: Care): Verdict[] {
  return CONDITIONS.flatMap(({ id, name, words, because, care: doThis }) => {
    const count = conditions.filter(({ kind }) => kind === id).length;
    if (count === 0) return [];
    return [
      verdict({
        id: `condition ${id}`,
        about: name.toLowerCase(),
        level: 'watch',
        measured: count,
        limit: 0,
        of: 'placesSeen',
        says: `${count === 1 ? 'One place' : `${count} places`} with ${words}${care.conservatorFor.includes(id) ? ': for a conservator' : ''}.`,
        because,
        doThis,
      }),
    ];
  });
}

function valueVerdict({ value, conditions }: LookInputs, { conservatorFirst }: Care): Verdict[] {
  if (value !== 'valued' || conservatorFirst) return [];
  return [
    verdict({
      id: 'valued',
      about: 'value',
      level: 'watch',
      says: 'It is of value to somebody.',
      because: conditions.length === 0 ? 'Nothing was found, by a maker’s eye.' : 'What was found is a matter of its edges.',
      doThis: 'Photograph front, back and edges before it is touched. In doubt, a conservator.',
    }),
  ];
}
