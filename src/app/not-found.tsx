/** Loaded with every page in case there is none: plain, so that it weighs nothing on a stage. */
export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>Nothing is kept at this address</h1>
      <p className="my-4">
        The song or player may have been removed, or the address is cut off. Nothing was changed.
      </p>
      <a className="btn btn-primary" href="/">
        Go to the shelf
      </a>
    </main>
  );
}
