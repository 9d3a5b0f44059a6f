// @vitest-environment jsdom
/* The form as a maker meets it: typed into, pressed, sent by Enter; with wrong things in every kind of field. */
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type ReactNode, useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { type Length, length } from '@/core/units/length';
import { LengthField, NumberField, ReadingField, TextField } from './fields';
import { ActButton, Form, FormScope, SendButton } from './Form';
import { MoneyField } from './MoneyField';
import { WorkshopProvider } from '../WorkshopContext';

afterEach(cleanup);

interface Row {
  long: Length;
  reading: Length | null;
  humidity: number | null;
  turn: number;
  price: number | null;
  tag: string;
}
const FIRST: Row = { long: length(900), reading: null, humidity: 55, turn: 0, price: 1250, tag: 'R1' };

function Fields({ row, change, name = '' }: { row: Row; change: (patch: Partial<Row>) => void; name?: string }) {
  return (
    <>
      <LengthField label={`${name}Length`} of="newRollLength" value={row.long} onChange={(long) => change({ long })} />
      <ReadingField label={`${name}Reading`} of="sideReading" value={row.reading} onChange={(reading) => change({ reading })} />
      <NumberField
        label={`${name}Humidity`}
        of="humidity"
        value={row.humidity}
        onChange={(humidity) => change({ humidity })}
        onClear={() => change({ humidity: null })}
      />
      <NumberField label={`${name}Turn`} of="boltTurns" value={row.turn} onChange={(turn) => change({ turn })} />
      <MoneyField label={`${name}Price`} value={row.price} onChange={(price) => change({ price })} />
      <TextField label={`${name}Tag`} of="tag" required="Write a tag." value={row.tag} onChange={(tag) => change({ tag })} />
    </>
  );
}

/** A form whose sendings are kept; `answer` is what comes back. */
function shown(answer: () => Promise<string | null> = async () => null, second: ReactNode = null) {
  const sent: Row[] = [];
  function Page() {
    const [row, setRow] = useState(FIRST);
    const send = () => {
      sent.push(row);
      return answer();
    };
    return (
      <Form label="Roll" onSend={send}>
        <Fields row={row} change={(patch) => setRow((before) => ({ ...before, ...patch }))} />
        {second}
        <pre data-testid="row">{JSON.stringify(row)}</pre>
        <SendButton says="Saved.">Add the roll</SendButton>
        <ActButton act={send}>Try it</ActButton>
      </Form>
    );
  }
  render(
    <WorkshopProvider rules={DEFAULT_RULES} unit="mm" maker={null} device={null}>
      <Page />
    </WorkshopProvider>,
  );
  return sent;
}
const type = (label: string, text: string) => fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
/** As typed: sign by sign. */
const typeOut = (label: string, text: string) => [...text].forEach((_, at) => type(label, text.slice(0, at + 1)));
const enter = () => act(async () => void fireEvent.submit(screen.getByRole('form', { name: 'Roll' })));
const press = (name: string) => act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const isOff = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name }).disabled;

describe('a form with a field that cannot be read', () => {
  it.each([
    ['Length', '12.000'],
    ['Length', '24x36'],
    ['Reading', '1.250'],
    ['Humidity', '130'],
    ['Turn', '-0.5.1'],
    ['Price', '12.500.000'],
    ['Tag', 'x'.repeat(41)],
  ])('“%s” with “%s” in it is sent by no button and no key, and no part of it is kept', async (label, wrong) => {
    const sent = shown();
    typeOut(label, wrong);
    expect(screen.getByRole('alert').textContent).toContain(wrong.slice(0, 20));
    await enter();
    await press('Add the roll');
    await press('Try it');
    expect([sent, isOff('Add the roll'), isOff('Try it')]).toEqual([[], true, true]);
    expect(screen.getByText(`Mend first: ${label}.`)).toBeTruthy();
    if (label !== 'Tag') expect(JSON.parse(screen.getByTestId('row').textContent!)).toEqual(FIRST);
    // Taken off the screen again it stands as before it was begun: what is sent then is what was seen.
    type(label, '');
    fireEvent.blur(screen.getByLabelText(label));
    if (label === 'Tag') type('Tag', 'R1');
    if (label === 'Price') type('Price', '12.50');
    if (label === 'Humidity') type('Humidity', '55');
    if (label === 'Length') type('Length', '900');
    if (label === 'Turn') type('Turn', '0');
    await enter();
    expect(sent).toEqual([FIRST]);
  });

  it('is told by its own field: a second row of the same name does not clear it', async () => {
    const other = { ...FIRST };
    const sent = shown(async () => null, <Fields row={other} change={() => undefined} />);
    const [first, second] = screen.getAllByLabelText('Humidity');
    fireEvent.change(first!, { target: { value: 'damp' } });
    fireEvent.change(second!, { target: { value: '60' } });
    await enter();
    expect([sent, isOff('Add the roll')]).toEqual([[], true]);
  });

  it('holds nothing back once it is gone', async () => {
    const Gone = () => {
      const [there, setThere] = useState(true);
      return (
        <FormScope>
          {there && <NumberField label="Pots" of="pieces" value={1} onChange={() => undefined} />}
          <button type="button" onClick={() => setThere(false)}>
            Take out
          </button>
          <ActButton act={() => null}>Keep</ActButton>
        </FormScope>
      );
    };
    render(
      <WorkshopProvider rules={DEFAULT_RULES} unit="mm" maker={null} device={null}>
        <Gone />
      </WorkshopProvider>,
    );
    type('Pots', 'x');
    expect(isOff('Keep')).toBe(true);
    await press('Take out');
    expect(isOff('Keep')).toBe(false);
  });
});

describe('a form', () => {
  it('asks for what is missing when it is sent, not before, and goes to the field', async () => {
    const sent = shown();
    type('Tag', '');
    expect(screen.queryByText('Write a tag.')).toBeNull();
    await enter();
    expect([sent, document.activeElement]).toEqual([[], screen.getByLabelText('Tag')]);
    expect(screen.getByText('Write a tag.')).toBeTruthy();
    type('Tag', 'R2');
    await enter();
    expect(sent).toEqual([{ ...FIRST, tag: 'R2' }]);
  });

  it('turns a corner back', async () => {
    const sent = shown();
    typeOut('Turn', '-0.5');
    await enter();
    expect(sent).toMatchObject([{ turn: -0.5 }]);
  });

  it('sends once at a time, tells what went wrong, and that it is saved until something is typed', async () => {
    const answers: ((wrong: string | null) => void)[] = [];
    const sent = shown(() => new Promise((on) => answers.push(on)));
    await enter();
    await enter();
    await press('Add the roll');
    expect([sent.length, isOff('Add the roll')]).toEqual([1, true]);
    await act(async () => answers[0]!('The roll is gone.'));
    expect(screen.getByRole('alert').textContent).toBe('The roll is gone.');
    await enter();
    await act(async () => answers[1]!(null));
    expect([screen.queryByRole('alert'), screen.getByRole('status').textContent]).toEqual([null, 'Saved.']);
    type('Humidity', '61');
    expect(screen.queryByRole('status')).toBeNull();
    // Another button of the form saves nothing of it.
    await press('Try it');
    await act(async () => answers[2]!(null));
    expect([sent.length, screen.queryByRole('status')]).toEqual([3, null]);
  });

  it('is open again when its sending broke off', async () => {
    const sent = shown(async () => {
      throw new Error('broken');
    });
    await enter();
    expect([sent.length, isOff('Add the roll')]).toEqual([1, false]);
    expect(screen.getByRole('alert').textContent).toContain('broke off');
  });
});
