/** "3 Nov" */
export const dayText = (at: number): string => new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
/** "Tue, 3 Nov" */
export const weekdayText = (at: number): string => new Date(at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
