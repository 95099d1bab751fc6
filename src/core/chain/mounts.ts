/** Whether two mounts are the same one: what people type differs in capitals and blanks. */
export const sameMount = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Whether two may go together as far as is known: what is not entered is not held against anybody. */
export const mayMount = (a: string | undefined, b: string | undefined): boolean =>
  a === undefined || b === undefined || sameMount(a, b);
