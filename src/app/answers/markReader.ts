import type { MarkReader } from '@/server/print/markFiles';
import { openWorkshop } from '@/server/openWorkshop';
import { houseOrigin } from '@/app/houseOrigin';
import { unitChosen } from '@/app/unitChosen';

/** Who asks for something to print: the unit that was chosen, and the address this workshop is found at. */
export const markReader = async (): Promise<MarkReader> => ({
  unit: await unitChosen(),
  origin: await houseOrigin(openWorkshop()),
});
