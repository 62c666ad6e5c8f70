/** The beginning of a sentence. */
export const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
