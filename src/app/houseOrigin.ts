import { headers } from 'next/headers';
import { houseUrls } from '@/server/network/networkActs';
import type { Workshop } from '@/server/workshop';

/** The address that goes on paper: where other devices find this workshop, or where it was reached just now. */
export async function houseOrigin(workshop: Pick<Workshop, 'database'>): Promise<string> {
  const [first] = houseUrls(workshop);
  if (first !== undefined) return first;
  const asked = await headers();
  return `${asked.get('x-forwarded-proto') ?? 'http'}://${asked.get('host') ?? 'localhost'}`;
}
