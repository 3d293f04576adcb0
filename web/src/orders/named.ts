/** What is at the desk: a cut by its number, or, of number 0, the files as they were brought in. */
export function named(cut: number): string {
  return cut === 0 ? 'The files as they came' : `Cut ${cut}`;
}
