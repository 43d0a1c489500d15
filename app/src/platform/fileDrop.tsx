import type { ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';

/**
 * Where files can be dropped, or a folder. What stands in it is told how to let somebody choose them instead, and whether
 * they hang over it.
 * @param accept endings of names, `.csv`
 */
export const FilesDrop = ({
  accept,
  onFiles,
  several = true,
  children,
}: {
  accept: readonly string[];
  onFiles: (files: File[]) => void;
  several?: boolean;
  children: (choose: () => void, over: boolean) => ReactNode;
}) => {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: several,
    onDrop: (files) => {
      if (files.length > 0) onFiles(files);
    },
  });
  return (
    <div {...getRootProps()}>
      <input {...getInputProps({ accept: accept.join(',') })} />
      {children(open, isDragActive)}
    </div>
  );
};

/** The same of one file. */
export const FileDrop = ({
  onFile,
  ...rest
}: {
  accept: readonly string[];
  onFile: (file: File) => void;
  children: (choose: () => void, over: boolean) => ReactNode;
}) => <FilesDrop {...rest} several={false} onFiles={([file]) => file && onFile(file)} />;

/** The way to a file within what was dropped, without what leads there: `boats/heron.json`. */
export const pathOfFile = (file: File): string => {
  const { path } = file as File & { path?: string };
  return (path ?? (file.webkitRelativePath || file.name)).replace(/^\.?\//, '');
};
