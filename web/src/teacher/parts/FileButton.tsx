interface Props {
  words: string;
  accept: string;
  onFile: (file: File) => void;
}

/** Asks for a file of this computer; the same file can be chosen again. */
export function FileButton({ words, accept, onFile }: Props) {
  return (
    <label className="btn btn-outline-primary">
      {words}
      <input
        type="file"
        accept={accept}
        className="visually-hidden"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </label>
  );
}
