/** A file with its path within what was dropped. */
export interface Dropped {
  path: string;
  file: File;
}

/** Every file of a drop, folders gone through. */
export async function collect(transfer: DataTransfer): Promise<Dropped[]> {
  const entries = [...transfer.items]
    .map((item) => item.webkitGetAsEntry())
    .filter((e): e is FileSystemEntry => e !== null);
  if (entries.length === 0) {
    return [...transfer.files].map((file) => ({ path: file.name, file }));
  }
  const found = await Promise.all(entries.map((e) => walk(e)));
  return found.flat();
}

async function walk(entry: FileSystemEntry): Promise<Dropped[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    return [{ path: entry.fullPath.replace(/^\//, ''), file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const all: Dropped[] = [];
  // A reader gives its entries in portions until an empty one.
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (part.length === 0) {
      return all;
    }
    all.push(...(await Promise.all(part.map(walk))).flat());
  }
}
