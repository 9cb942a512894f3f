export * from './nearestRecipe'
