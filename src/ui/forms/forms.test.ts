import { describe, expect, it } from 'vitest';
import * as z from 'zod/mini';
import { failure, success } from '#core/result.ts';
import { between } from '#store/records/common.ts';
import { messagesIn } from './problems.ts';
import { numberText, parsedText, printNumber, readNumber } from './numberText.ts';
import { resultResolver } from './resultResolver.ts';

describe('a typed number', () => {
  const rule = { schema: between(-2, 10), says: 'Loss: type stops from −2 to 10' };

  it.each([
    ['1,5', 1.5],
    ['−2', -2],
    ['1 1/3', 4 / 3],
    [' 10 ', 10],
  ])('reads %j', (text, value) => expect(readNumber(text, rule)).toBeCloseTo(value, 12));

  it.each(['', '10.1', '-2.1', 'x', '1 2', '1/0'])('refuses %j and says what to type', (text) => {
    expect(readNumber(text, rule)).toBeUndefined();
    const read = numberText(rule.schema, rule.says).safeParse(text);
    expect(read.error?.issues.map(({ message }) => message)).toEqual(['Loss: type stops from −2 to 10.']);
  });

  it('is what the schema makes of it', () => {
    const stepped = {
      ...rule,
      schema: z.pipe(
        z.number(),
        z.transform((v: number) => 10 * Math.round(v / 10)),
      ),
    };
    expect(readNumber('4444', stepped)).toBe(4440);
  });

  it('stands in its field as it reads back, without digits nobody typed', () => {
    expect(printNumber(-0.5)).toBe('−0.5');
    expect(printNumber(0.1 + 0.2)).toBe('0.3');
    expect(readNumber(printNumber(-1.25), { ...rule, schema: z.number() })).toBe(-1.25);
  });

  it('any text by its own parser', () => {
    const yes = parsedText((text) => (text === 'yes' ? true : undefined), 'Type yes');
    expect(yes.parse('yes')).toBe(true);
    expect(yes.safeParse('no').error?.issues[0].message).toBe('Type yes.');
  });
});

describe('a form that is worked out', () => {
  type Fields = { readonly a: string; readonly rows: readonly { readonly text: string }[] };
  const fields: Fields = { a: 'x', rows: [{ text: '1' }, { text: '' }] };
  const check = (where: string, fieldsAt?: (at: string) => string[]) =>
    resultResolver<Fields, number>(() => failure(where, 'Type it again.'), fieldsAt)(fields, undefined, {
      fields: {},
      shouldUseNativeValidation: false,
    });

  it('gives what it comes to', async () => {
    const resolver = resultResolver<Fields, number>(({ rows }) => success(rows.length));
    expect(await resolver(fields, undefined, {} as never)).toEqual({ values: 2, errors: {} });
  });

  it('puts the sentence at the field, in a row, at several, or at the whole', async () => {
    expect((await check('a')).errors).toMatchObject({ a: { message: 'Type it again.' } });
    const inRow = (await check('x', () => ['rows.1.text'])).errors;
    expect(inRow).toMatchObject({ rows: [undefined, { text: { message: 'Type it again.' } }] });
    expect(messagesIn(inRow)).toEqual(['Type it again.']);
    expect(Object.keys((await check('x', () => ['a', 'b'])).errors)).toEqual(['a', 'b']);
    expect(Object.keys((await check('x', () => [])).errors)).toEqual(['form']);
  });
});
