/** Words that a list is searched by. */
export function SearchField({
  label,
  placeholder = 'search',
  value,
  id,
  className,
  onSearch,
}: {
  /** What is searched, said in full. */
  label: string;
  placeholder?: string;
  value: string;
  id?: string;
  className: string;
  onSearch: (words: string) => void;
}) {
  return (
    <input
      id={id}
      type="search"
      aria-label={label}
      placeholder={placeholder}
      value={value}
      onChange={(event) => {
        onSearch(event.target.value);
      }}
      className={className}
    />
  );
}
