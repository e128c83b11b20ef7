<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { session } from '../../app/session.svelte';
  import { Write } from '../../app/write.svelte';
  import Message from '../../ui/Message.svelte';

  interface Props {
    recipes: Schemas['RecipeOut'][];
    onchosen: (recipe: Schemas['RecipeOut']) => void;
  }
  const { recipes, onchosen }: Props = $props();
  const write = new Write();

  function what(recipe: Schemas['RecipeOut']) {
    const parts = recipe.ingredients.map((one) => `${one.amount} ${one.name.toLowerCase()}`);
    return `${recipe.own ? 'Yours · ' : ''}${recipe.method} · ${parts.join(', ')}`;
  }

  function putAway(row_id: string) {
    const params = { path: { kind: 'recipes', row_id } };
    return write.send(() => ask(client.POST('/api/{kind}/{row_id}/put-away', { params })));
  }
</script>

<ul>
  {#each recipes as recipe (recipe.key)}
    <li>
      <button type="button" class="recipe" onclick={() => onchosen(recipe)}>
        <b>{recipe.name}</b>
        <span>{what(recipe)}</span>
      </button>
      {#if recipe.own && session.owner}
        <button type="button" class="away" onclick={() => putAway(recipe.key)}>
          Put away {recipe.name}
        </button>
      {/if}
    </li>
  {/each}
</ul>
<Message problem={write.problem} />

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
    gap: var(--space-2);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-direction: column;
  }

  .recipe {
    flex: 1;
    width: 100%;
    min-height: 64px;
    padding: var(--space-2) var(--space-3);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    background: none;
    text-align: left;
    cursor: pointer;
  }

  b,
  span {
    display: block;
  }

  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .away {
    align-self: flex-start;
    min-height: var(--touch);
    border: 0;
    background: none;
    color: var(--color-rim);
    text-decoration: underline;
    cursor: pointer;
  }
</style>
