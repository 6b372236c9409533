import Link from "next/link";
import { buttonClass } from "@/ui/kit/button";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-md p-10 text-center">
      <h1 className="text-[1.25rem]">There is nothing here</h1>
      <p className="mt-2 text-muted">It may have been handed over, or the address has a slip in it.</p>
      <Link href="/" className={`${buttonClass("main")} mt-4`}>
        To the yard
      </Link>
    </main>
  );
}
