import { trimZeros } from "./mass";

/** How long a file is, as people read it: "4 kB", "2.5 MB", "320 MB". */
export const fileSize = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.round(bytes / 1000)} kB`
    : `${trimZeros((bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0))} MB`;
