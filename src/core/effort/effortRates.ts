/*
 * How long things take, stage by stage: minutes of one practised person, what is set up once for all that is done together apart from
 * what each canvas takes. From the trade; a house puts its own in their place. The saw and the pot are set up by the hours of the
 * house (`week/weekSettings.ts`), where they are planned.
 */
import { row } from '../house/assumptionRow';

export const EFFORT_RATES = [
  row('lookEach', 'look', 'Look a painting over', 15, 'min', [1, 240], 'Front, back and all four edges, in raking light.'),
  row('briefSetUp', 'brief', 'Brief, once for all canvases of it', 9, 'min', [0, 240], 'What for, how large, wanted when.'),
  row('briefEach', 'brief', 'Brief, each canvas', 1, 'min', [0, 120], 'Face and title.'),
  row('placeEach', 'brief', 'Choose the face of a painting', 10, 'min', [1, 240], 'Try faces on the image, with the owner.'),
  row('barsSetUp', 'bars', 'Bars, once for all', 3, 'min', [0, 120], 'Fetch them, clear the bench.'),
  row('glueSetUp', 'bars', 'Glue and clamps, once for all, besides', 5, 'min', [0, 120], 'Lay out clamps, cut glue, wipe up.'),
  row('minutesCorner', 'bars', 'A corner put together', 1, 'min', [0.2, 60], 'Knock it in, check front and back.'),
  row('glueCorner', 'bars', 'A corner glued and clamped, besides', 2, 'min', [0, 60], 'Glue, clamp, check the diagonals.'),
  row('minutesBrace', 'bars', 'A brace fitted', 2, 'min', [0.2, 60], 'Offer it up, knock it in.'),
  row('glueBrace', 'bars', 'A brace glued or screwed, besides', 3, 'min', [0, 60], 'Drill, glue or screw, wipe.'),
  row('minutesCut', 'bars', 'A part sawn and eased', 2.5, 'min', [0.5, 30], 'Set the stop, saw, take the arris off.'),
  row('minutesHole', 'bars', 'A hole drilled', 1, 'min', [0.1, 15], 'Mark, drill, clear.'),
  row('squareSetUp', 'square', 'Square, once for all', 2, 'min', [0, 60], 'A flat place, tape and blade.'),
  row('squareEach', 'square', 'Square and wind, each', 3, 'min', [0.5, 60], 'Two diagonals, corners, strings.'),
  row(
    'squareLarge',
    'square',
    'Square a large frame, besides',
    2,
    'min',
    [0, 60],
    'Both sides over a metre: walk round it, lift and turn.',
  ),
  row('clothSetUp', 'cloth', 'Cut, once for all', 6, 'min', [0, 120], 'Clear the table, fetch the roll.'),
  row('clothEach', 'cloth', 'Cut, each piece', 2, 'min', [0, 60], 'Mark two sides, label the piece.'),
  row('clothMetre', 'cloth', 'Cut, a metre of it', 1.5, 'min', [0.1, 30], 'Along a thread, two of the four sides.'),
  row('measureEach', 'cloth', 'Measure a painting', 15, 'min', [1, 240], 'Image, margins, folds and holes.'),
  row('fastenSetUp', 'fasten', 'Fasten, once for all', 4, 'min', [0, 120], 'Bench, stapler loaded, cloth laid out.'),
  row('layEach', 'fasten', 'Lay and centre, each', 3, 'min', [0, 60], 'Frame on the cloth, eight margins.'),
  row('cornerEach', 'fasten', 'A corner folded', 1.5, 'min', [0.2, 30], 'Crease, fold, fasten.'),
  row('secondsFastener', 'fasten', 'Pull and fasten, each place', 14, 's', [4, 60], 'Pull, set, look.'),
  row('secondsTurn', 'fasten', 'Change of side', 10, 's', [2, 90], 'Turn the frame, or walk round it.'),
  row('tuneSetUp', 'tune', 'Tune, once for all', 1, 'min', [0, 60], 'Quiet, soft support.'),
  row('tuneEach', 'tune', 'Tap and judge, each', 3, 'min', [0, 60], 'Three taps or a feel.'),
  row('coatEach', 'prime', 'A coat, each canvas', 2, 'min', [0, 60], 'Lay it down, carry it to dry.'),
  row('coatM2', 'prime', 'A coat, a square metre with its edges', 5, 'min', [0.5, 60], 'Brush it out both ways.'),
  row('sandM2', 'prime', 'Sanding between, a square metre', 4, 'min', [0.5, 60], 'Lightly, and dust it off.'),
  row('handSetUp', 'handover', 'Hand over, once for all', 5, 'min', [0, 120], 'Labels printed, scale, wrapping.'),
  row('handEach', 'handover', 'Hand over, each', 8, 'min', [0, 120], 'Weigh, label, hang, wrap.'),
] as const;
