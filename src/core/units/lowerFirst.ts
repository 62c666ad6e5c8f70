/** A name inside a sentence: the first letter small, unless the first word is an abbreviation ("ACL reconstruction"). */
export const lowerFirst = (words: string): string =>
  /^[A-Z]{2}/.test(words) ? words : `${words.slice(0, 1).toLowerCase()}${words.slice(1)}`;
