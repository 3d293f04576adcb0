import { api } from '../api/client';
import { leaf, type JobFile } from './roles';

/** A small picture of a file, to the same scale as those it is compared with. */
export function FilePicture({
  job,
  file,
  beside = [],
  width,
  height,
}: {
  job: number;
  file: JobFile;
  beside?: readonly string[];
  width: number;
  height: number;
}) {
  return (
    <img
      src={api.pictureAddress(job, file.path, beside, width * 2, height * 2)}
      width={width}
      height={height}
      alt={`What ${leaf(file.path)} shows`}
      className="border-edge bg-paper block shrink-0 self-start rounded border"
    />
  );
}
