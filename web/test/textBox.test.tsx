import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';
import { TextBox } from '../src/base/form/TextBox';

const drawn = (becomes: string, value: string) =>
  renderToStaticMarkup(<TextBox label="In your words" becomes={becomes} value={value} />);

test('a text takes as many letters as the API document says, and no more', () => {
  expect(drawn('NewCare/text', '')).toContain('maxLength="600"');
  expect(drawn('NewOverrule/reason', '')).toContain('maxLength="600"');
  expect(drawn('Program/name', '')).toContain('maxLength="40"');
});

test('the characters left are said when few are', () => {
  expect(drawn('NewCare/text', 'x'.repeat(559))).not.toContain('characters left');
  expect(drawn('NewCare/text', 'x'.repeat(595))).toContain('5 characters left');
  expect(drawn('Program/name', 'x'.repeat(39))).toContain('1 character left');
});

test('a text of which the API states no bound is not drawn', () => {
  expect(() => drawn('NewCare/kind', '')).toThrow('states no bound');
});
