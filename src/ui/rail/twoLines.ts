/** Words in at most two lines of so many letters; what does not fit ends in an ellipsis. */
export function twoLines(text: string, letters: number): string[] {
  const words = text.split(" ");
  let first = "";
  while (words.length && `${first} ${words[0]}`.trim().length <= letters)
    first = `${first} ${words.shift()}`.trim();
  const rest = words.join(" ");
  return rest ? [first, rest.length > letters + 1 ? `${rest.slice(0, letters - 1)}…` : rest] : [first];
}
