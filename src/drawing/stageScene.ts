/* The drawing of a stage, seen from the front. */
import type { StageId } from '@/core/stages/stages';
import { barsScene } from './barsScene';
import { clothScene } from './clothScene';
import { fastenScene } from './fastenScene';
import { placeScene } from './painting/paintingScene';
import { lookScene } from './painting/lookScene';
import type { Scene } from './scene/scene';
import { squareScene } from './squareScene';
import { type SceneInput, briefScene, handoverScene, primeScene } from './stageScenes';
import { tapScene } from './tuneScenes';

/** @param coatsDone coats that are on: the next one is drawn */
export function stageScene(stage: StageId, input: SceneInput, coatsDone: number): Scene {
  switch (stage) {
    case 'look':
      return lookScene(input);
    case 'brief':
      return input.plan.brief.painting ? placeScene(input) : briefScene(input);
    case 'bars':
      return barsScene(input);
    case 'square':
      return squareScene(input);
    case 'cloth':
      return clothScene(input);
    case 'fasten':
      return fastenScene(input, 1);
    case 'tune':
      return tapScene(input, null, []);
    case 'prime':
      return primeScene(input, coatsDone);
    case 'handover':
      return handoverScene(input);
  }
}
