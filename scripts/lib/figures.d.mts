export function writeFigures(title: string, lines: readonly string[]): void;
