import qrcode from 'qrcode-generator';
import { describe, expect, it } from 'vitest';
import { codeIn, scannedJob } from './scannedJob';

/** A picture of a code, a few dots a module, with a quiet edge; turned by quarters where asked. */
function picture(text: string, dots: number, quarters = 0) {
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const modules = code.getModuleCount() + 8;
  const side = modules * dots;
  const data = new Uint8ClampedArray(side * side * 4).fill(255);
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1) {
      let [column, row] = [Math.floor(x / dots) - 4, Math.floor(y / dots) - 4];
      for (let turn = 0; turn < quarters; turn += 1) [column, row] = [row, code.getModuleCount() - 1 - column];
      const inside = Math.min(column, row) >= 0 && Math.max(column, row) < code.getModuleCount();
      if (inside && code.isDark(row, column)) data.set([20, 20, 20], (y * side + x) * 4);
    }
  return { data, width: side, height: side };
}

describe('a label that is scanned', () => {
  it('is read as it lies, whichever way it is turned, and names its canvas', () => {
    const address = 'http://192.168.0.20:4000/job/0jx3k9-demo.41';
    for (const quarters of [0, 1, 2, 3]) expect(codeIn(picture(address, 5, quarters))).toBe(address);
    expect(scannedJob(address)).toBe('0jx3k9-demo.41');
  });

  it('finds nothing where there is nothing', () => {
    expect(codeIn({ data: new Uint8ClampedArray(200 * 200 * 4).fill(230), width: 200, height: 200 })).toBeNull();
  });

  it('names no canvas where the code is another one', () => {
    for (const text of [
      'http://a.example/job/x/bench',
      'http://a.example/set/x',
      'job/x',
      'http://a.example/job/..',
      'WIFI:S:quay;;',
      '',
    ])
      expect(scannedJob(text), text).toBeNull();
  });
});
