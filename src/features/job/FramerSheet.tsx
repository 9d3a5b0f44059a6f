'use client';
/* The order for whoever makes the frame: opening, lip and depth in both units, on one sheet. */
import { printed } from '@/core/quantities/printed';
import type { JobInputs } from '@/core/job/job';
import { framerOrder } from '@/core/painting/framerOrder';
import { plateWords } from '@/core/painting/framePlates';
import { type Tape, SIXTEENTH_MM, printLength, printSize, WHOLE_MM } from '@/core/units/length';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

interface FramerSheetProps {
  id: string;
  number: number;
  inputs: JobInputs;
  kg: number;
  weighed: boolean;
  /** The widest strip of bare cloth inside the edge of the face, mm. */
  bareMm: number;
}

const INCH: Tape = { unit: 'in', stepMm: SIXTEENTH_MM };

export function FramerSheet({ id, number, inputs, kg, weighed, bareMm }: FramerSheetProps) {
  const { rules, tape } = useWorkshop();
  const { brief } = inputs;
  const plates = plateWords(inputs, rules);
  const order = framerOrder(inputs, { rules, tape }, bareMm);
  const size = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) =>
    [printSize(widthMm, heightMm, WHOLE_MM, 'up'), printSize(widthMm, heightMm, INCH, 'up')] as const;
  const long = (mm: number) => [printLength(mm, WHOLE_MM, 'up'), printLength(mm, INCH, 'up')] as const;
  const rows: [what: string, mm: string, inch: string, why: string][] = [
    [
      'Face of the canvas',
      printSize(brief.width.mm, brief.height.mm, WHOLE_MM),
      printSize(brief.width.mm, brief.height.mm, INCH),
      'bars alone, without the cloth',
    ],
    [
      'Rebate, step to step',
      ...size(order.rebate),
      `cloth at both edges and ${printLength(brief.rebateClearance.mm, tape)} of clearance in all`,
    ],
    ...(order.keyed
      ? [
          ['Rebate, if it is to be keyed to the end', ...size(order.keyed), 'the corners open and it grows'] as [
            string,
            string,
            string,
            string,
          ],
        ]
      : []),
    [
      'Lip over the opening, at least',
      ...long(order.lipMm),
      'covers the gap wherever the canvas slides, and a little of the face',
    ],
    [
      'Depth, step to back, at least',
      ...long(order.depthMm),
      'then nothing stands proud of the back, its folded corners neither',
    ],
  ];
  return (
    <main className="mx-auto w-full max-w-[210mm] flex-1 overflow-y-auto bg-base-100 px-8 py-6 print:overflow-visible print:px-0">
      <div className="no-print mb-4 flex gap-2">
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          Print
        </button>
        <a className="btn btn-outline" href={`/job/${id}`}>
          Back to the job
        </a>
      </div>
      <header className="border-b-2 border-current pb-3">
        <h1 className="text-[26px] leading-8 font-semibold">A frame for {brief.title}</h1>
        <p className="figure">
          {rules.workshop}, No. {number}. It weighs {printed('mass', kg, tape)}
          {weighed ? '' : ', worked out'}.
        </p>
      </header>
      <table className="figure mt-4 w-full text-[15.5px] [&_td]:py-1.5 [&_td]:pr-4">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">width × height</th>
            <th className="font-normal">mm</th>
            <th className="font-normal">inches</th>
            <th className="font-normal">why</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, mm, inch, why]) => (
            <tr key={what} className="hair-b align-top">
              <td>{what}</td>
              <td className="font-semibold whitespace-nowrap">
                <Figure>{mm}</Figure>
              </td>
              <td className="font-semibold whitespace-nowrap">
                <Figure>{inch}</Figure>
              </td>
              <td className="soft text-[14px]">
                <Figure>{why}</Figure>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-4 list-disc space-y-1 pl-5 text-[14.5px]">
        <li>Openings are rounded up: to whole millimetres, to sixteenths of an inch. Square within 1 mm across the diagonals.</li>
        <li>
          Held by {plates || 'plates screwed into the frame'}, so that it can grow; no nails through the bars, nothing pressed on
          the cloth.
        </li>
        <li>Measure the canvas again before the frame is cut.</li>
      </ul>
    </main>
  );
}
