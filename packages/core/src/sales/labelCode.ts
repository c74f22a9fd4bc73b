/** Letters and digits that are not taken for one another. */
const SIGNS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const LENGTH = 7;

/** 32 bits out of a text, spread evenly (FNV-1a, finished with a multiply and shifts). */
function hash(text: string, seed: number): number {
  let bits = 0x811c9dc5 ^ seed;
  for (let i = 0; i < text.length; i++) bits = Math.imul(bits ^ text.charCodeAt(i), 0x01000193);
  bits = Math.imul(bits ^ (bits >>> 16), 0x7feb352d);
  return (bits ^ (bits >>> 15)) >>> 0;
}

/**
 * The code on a bag: the same for the animals of one lot in one sale or line of an order, so that labels can be printed before they are
 * handed over. Two of ten thousand labels share a code by chance in one house of five hundred; both are then of that code's newest.
 * @param of - the line's or the sale's id
 */
export function labelCode(of: string, lotId: string): string {
  const key = `${of}/${lotId}`;
  let number = (BigInt(hash(key, 0)) << 32n) | BigInt(hash(key, 0x9e3779b9));
  let code = '';
  for (let i = 0; i < LENGTH; i++) {
    code += SIGNS[Number(number % BigInt(SIGNS.length))] ?? '';
    number /= BigInt(SIGNS.length);
  }
  return code;
}
