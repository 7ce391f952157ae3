/** The heads of a table's columns. */
export const Heads = ({ of }: { readonly of: readonly string[] }) => (
  <thead>
    <tr>
      {of.map((head) => (
        <th key={head} scope="col">
          {head}
        </th>
      ))}
    </tr>
  </thead>
)
