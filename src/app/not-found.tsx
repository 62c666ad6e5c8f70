import { Link } from "@/ui/Link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-20">
      <h1 className="text-2xl">There is nothing at this address</h1>
      <p className="mt-2">The client or page is not in this clinic, or the address has a slip.</p>
      <Link href="/" className="mt-4 inline-block font-bold text-primary underline">
        Back to Today
      </Link>
    </main>
  );
}
