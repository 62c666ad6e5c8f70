/** What a schema says by itself where nobody gave it words. */
const UNTRANSLATED = /^(Invalid|Unrecognized|Too (big|small)|Expected)\b/;

/** The sentence people read for a part of a request that does not fit. */
export const issueSentence = (message: string): string =>
  UNTRANSLATED.test(message)
    ? "This part is missing or not of the kind that is asked for here. Reload the page and enter it again."
    : message;
