/** Asks the person for files; none when they think better of it. */
export function pickFiles(accept: string, multiple = true, folder = false): Promise<File[]> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.multiple = multiple;
    input.webkitdirectory = folder;
    input.onchange = () => resolve([...(input.files ?? [])]);
    input.addEventListener('cancel', () => resolve([]));
    input.click();
  });
}

/** Asks the person for a folder, and gives all files in it; none when they think better of it. */
export const pickFolder = (): Promise<File[]> => pickFiles('', true, true);

/** Asks the person for one file; null when they think better of it. */
export const pickFile = async (accept: string): Promise<File | null> => (await pickFiles(accept, false))[0] ?? null;

/** Hands a file to the person under a name. */
export function saveFile(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(url), 0);
}
