/* Hands of the invented workshop, tried on the kitchen scale: pulls of one feel in a row, N. */
import type { HandTrial } from '@/core/fasten/hand';

const tried = (maker: string, feel: HandTrial['feel'], ...pulledN: number[]): HandTrial => ({
  maker,
  feel,
  pulledN,
  simulated: false,
});

export const DEMO_HANDS: readonly HandTrial[] = [
  tried('Wenna', 'light', 9.4, 8.1, 9.9),
  tried('Wenna', 'firm', 14.9, 16.8, 15.2),
  tried('Wenna', 'hard', 21.5, 25.1, 24.2),
  tried('Tove', 'light', 11.2, 13.1, 11.9),
  tried('Tove', 'firm', 18.3, 20.4, 22.1),
  tried('Tove', 'pliers', 52, 64, 58),
  tried('Ansel', 'firm', 13.2, 12.1, 10.9),
];
