import type { WishAnswer } from '@vendange/core/wishes'
import { get, post, repositoryEndpoints, taking } from '../endpoint'
import type { NewOwnFat, SavedOwnFat } from '../schemas/ownFat'
import type { NewRecipe, SavedRecipe } from '../schemas/recipe'
import type { WishRequest } from '../schemas/wish'
import type { RecipeVersion } from '../views'

/** Fats and recipes. */
export const formulateEndpoints = {
  ownFats: repositoryEndpoints<NewOwnFat, SavedOwnFat>()('/api/fats', 'fat of the workshop’s own'),
  recipes: repositoryEndpoints<NewRecipe, SavedRecipe>()('/api/recipes', 'recipe'),
  recipeVersions: get<readonly RecipeVersion[]>()(
    '/api/recipes/:id/versions',
    'A recipe as it stood, the newest first',
  ),
  nearestRecipe: taking<WishRequest>()(
    post<WishAnswer>()(
      '/api/recipes/wishes',
      'The recipe nearest to one’s own that fulfils wishes, or the wishes that contradict each other',
    ),
  ),
} as const
