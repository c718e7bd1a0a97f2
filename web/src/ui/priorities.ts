/** What comes first when pollen or hours are short, by its number. */
export const PRIORITIES = ['leave it alone', 'as others', 'before others', 'first of all'] as const;

/** As choices of a list. */
export const priorityChoices = PRIORITIES.map((label, value) => ({ value: String(value), label }));
