import { Upload } from 'lucide-react';
import { useRef } from 'react';

/** A button that opens a file and hands it over. */
export function FileButton({ label, accept, onFile }: { label: string; accept: string; onFile(file: File): void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="button" onClick={() => input.current?.click()}>
        <Upload size={14} className="mr-1 inline" aria-hidden />
        {label}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = ''; // the same file may be chosen again after it was put right
          if (file) onFile(file);
        }}
      />
    </>
  );
}
