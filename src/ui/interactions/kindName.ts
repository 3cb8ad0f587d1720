const camel = (type: string) => type.replace(/-(.)/g, (_all, letter: string) => letter.toUpperCase());

/** What a kind of question is called among the words of the lessons. */
export const kindName = (type: string): 'choice' => camel(type) as 'choice';
