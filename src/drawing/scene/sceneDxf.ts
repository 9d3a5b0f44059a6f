/* A scene as a DXF file, millimetres, y up, layers by what is done along a line: a plotter cuts what lies on CUT, and nothing else. */
import { Colors, DxfWriter, LWPolylineFlags, Units, point2d, point3d } from '@tarikjabiri/dxf';
import type { Role, Scene } from './scene';
import { WORDS_MM } from './sceneSvg';

const LAYERS: Partial<Record<Role, string>> = {
  cutLine: 'CUT',
  fold: 'FOLD',
  tab: 'TAB',
  cloth: 'OUTLINE',
  markLine: 'MARK',
  markEdge: 'MARK',
  measure: 'MARK',
  barred: 'KEEP-CLEAR',
};

/** The file’s text. */
export function sceneDxf({ marks }: Scene): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const dashed = dxf.addLType('BROKEN', '__ __ __', [3, -2]);
  dxf.addLayer('CUT', Colors.Red, 'CONTINUOUS');
  dxf.addLayer('FOLD', Colors.Blue, dashed.name);
  for (const name of ['TAB', 'OUTLINE', 'TEXT']) dxf.addLayer(name, Colors.White, 'CONTINUOUS');
  dxf.addLayer('MARK', Colors.Green, 'CONTINUOUS');
  dxf.addLayer('KEEP-CLEAR', Colors.Yellow, 'CONTINUOUS');
  for (const mark of marks) {
    if (mark.kind === 'area' || mark.kind === 'path') {
      const vertices = mark.points.map(({ x, y }) => ({ point: point2d(x, -y) }));
      dxf.addLWPolyline(vertices, {
        layerName: LAYERS[mark.role] ?? 'OUTLINE',
        flags: mark.kind === 'area' ? LWPolylineFlags.Closed : LWPolylineFlags.None,
      });
    } else if (mark.kind === 'words') {
      // About half a letter's height is its mean width.
      const wide = { start: 0, middle: 0.28, end: 0.56 }[mark.anchor] * WORDS_MM * mark.text.length;
      dxf.addText(point3d(mark.at.x - wide, -mark.at.y - WORDS_MM / 3, 0), WORDS_MM, mark.text, { layerName: 'TEXT' });
    }
  }
  return dxf.stringify();
}
