/* Places of the workshop that every figure of pages is taken of. */
export const PLACES = [
  '/',
  '/today',
  '/week',
  '/bars',
  '/cloth',
  '/ground',
  '/air',
  '/store',
  '/canvases',
  '/log',
  '/rules',
  '/file',
  '/set/demo-set-night-school',
];
