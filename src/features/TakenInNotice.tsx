import Link from 'next/link';
import type { TakenIn } from '@/server/job/jobWrites';

/** A canvas that came in from a file, made of what this house has by the same name with other figures. */
export function TakenInNotice({ canvas, href }: { canvas: TakenIn; href: string }) {
  const { number, unlike, inputs } = canvas;
  return (
    <p role="status" className="order-last w-full text-[14px]">
      <span aria-hidden>▲ </span>
      {inputs.brief.title} came in as No. {number}. {unlike.join(' and ')} {unlike.length === 1 ? 'has' : 'have'} other figures in
      its file than here: what is recorded keeps its own, what is planned from here on uses those of{' '}
      <Link href="/bars?view=materials" prefetch={false} className="link">
        this house
      </Link>
      .{' '}
      <Link href={href} prefetch={false} className="link font-semibold">
        Open it
      </Link>
    </p>
  );
}
