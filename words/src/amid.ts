/** Words of our own as they stand amid a sentence: “Look” is “look” there, “pH” stays. Names of the maker’s are left alone. */
export const amid = (words: string): string =>
  /^\p{Lu}\p{Ll}/u.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words
