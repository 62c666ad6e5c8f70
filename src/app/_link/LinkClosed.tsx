import { ForgetLink } from "./ForgetLink";

/** A link that does not open, with what to do; it says nothing about anybody. */
export function LinkClosed({ sentence }: { sentence: string }) {
  return (
    <main className="mx-auto max-w-[430px] px-5 py-10">
      <ForgetLink />
      <h1 className="text-[26px] leading-tight">This does not open</h1>
      <p className="mt-3 text-[17px]">{sentence}</p>
    </main>
  );
}
