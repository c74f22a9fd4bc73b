/** How often in days: "every day", "every 3 days". */
export const everyDays = (days: number): string => (days === 1 ? 'every day' : `every ${days} days`);

/** How often in a day: "once a day", "3 × a day". */
export const timesADay = (times: number): string => (times === 1 ? 'once a day' : `${times} × a day`);

/** Words with a capital, as a sentence begins. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
