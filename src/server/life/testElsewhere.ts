import { length } from '@/core/units/length';
import type { Request } from '../writes';

/** A canvas made elsewhere of which nobody knows anything but its size. */
export const ELSEWHERE: Request<'takeElsewhere'> = {
  title: 'Found in the loft',
  width: length(530),
  height: length(410),
  use: 'finished',
  value: 'unknown',
  profile: null,
  joint: null,
  fabric: null,
  system: null,
  madeOn: null,
  from: 'a house clearance',
  note: '',
  maker: 'Me',
};
