/** Molar masses, g/mol, from the IUPAC standard atomic weights. */
export const naohMolarMass = 39.997
export const kohMolarMass = 56.1056
export const waterMolarMass = 18.015
export const glycerolMolarMass = 92.094
