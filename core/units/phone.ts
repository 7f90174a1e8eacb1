import { parsePhoneNumberFromString } from 'libphonenumber-js/min';

/** Fewer figures are no phone number. */
const LEAST = 5;

/**
 * What a phone number is found by, however it is written: its figures without the code of the country and the
 * noughts
 * before them. `+44 (0)700 900 139`, `0044 700 900139` and `0700 900-139` all give `700900139`.
 * @returns undefined where the text is no phone number
 */
export function phoneKey(text: string): string | undefined {
  const plain = text.trim();
  const figures = plain.replace(/\D/g, '');
  if (!/^[+(\d][\d\s()./-]*$/.test(plain) || /^\d{4}-\d\d-\d\d$/.test(plain) || figures.length < LEAST)
    return undefined;
  const abroad = plain.startsWith('+') ? plain : plain.startsWith('00') ? `+${plain.slice(2)}` : undefined;
  return (
    (abroad && parsePhoneNumberFromString(abroad)?.nationalNumber) || figures.replace(/^0+/, '') || undefined
  );
}
