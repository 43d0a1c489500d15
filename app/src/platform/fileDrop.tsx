import type { ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';

/**
 * Where a file can be dropped. What stands in it is told how to let somebody choose one instead, and whether one hangs over it.
 * @param accept endings of names, `.csv`
 */
export const FileDrop = ({
  accept,
  onFile,
  children,
}: {
  accept: readonly string[];
  onFile: (file: File) => void;
  children: (choose: () => void, over: boolean) => ReactNode;
}) => {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) onFile(file);
    },
  });
  return (
    <div {...getRootProps()}>
      <input {...getInputProps({ accept: accept.join(',') })} />
      {children(open, isDragActive)}
    </div>
  );
};
