import { notFound } from 'next/navigation';
import { QuoteSheet } from '@/features/cost/QuoteSheet';
import { placeIn } from '@/app/placeIn';
import { quoteNumbered } from '@/server/cost/costWrites';
import { openWorkshop } from '@/server/openWorkshop';

export default async function QuoteRoute({ params }: { params: Promise<{ number: string }> }) {
  const number = placeIn((await params).number);
  const quote = number === null ? null : quoteNumbered(openWorkshop(), number);
  if (!quote) notFound();
  return <QuoteSheet quote={quote} />;
}
