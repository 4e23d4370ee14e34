type Search = { readonly isOld: boolean; readonly error: Error | null; readonly retry: () => void };

/**
 * Stands where an answer is waited for: that it is being worked out, or that it could not be, with another try. What is
 * shown beside it meanwhile is the last answer.
 * @param doing "planning the hand’s way…"
 */
export function SearchNote({ search, doing }: { readonly search: Search; readonly doing: string }) {
  if (search.error)
    return (
      <span role="alert" className="text-sm text-error">
        It could not be worked out: {search.error.message} Nothing was changed.{" "}
        <button type="button" className="link" onClick={search.retry}>
          Try again
        </button>
      </span>
    );
  return search.isOld ? (
    <span role="status" className="text-sm">
      {doing}
    </span>
  ) : null;
}
