export default function leaveOutStyles(source: string): string;
