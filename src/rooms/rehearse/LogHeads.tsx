/** The heads of a table of the log; its last column removes a row. */
export const LogHeads = ({ heads }: { readonly heads: readonly string[] }) => (
  <thead className="text-base-content">
    <tr>
      {heads.map((head) => (
        <th key={head} scope="col">
          {head}
        </th>
      ))}
      <th scope="col">
        <span className="sr-only">Remove</span>
      </th>
    </tr>
  </thead>
);
