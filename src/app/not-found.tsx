import Link from "next/link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>Nothing is kept at this address</h1>
      <p className="my-4">
        The song or player may have been removed, or the address is cut off. Nothing was changed.
      </p>
      <Link className="btn btn-primary" href="/">
        Go to the shelf
      </Link>
    </main>
  );
}
