<script setup lang="ts">
import { computed } from 'vue'
import type { ArchiveChoice, ArchivedItem } from '@vivid/contract'
import { entered } from '../shared/fields/entered'
import { dayOf } from '../shared/time/moments'

/** Things of one kind that an archive holds: what is here already, and what becomes of each. */
const choices = defineModel<Record<string, ArchiveChoice>>({ required: true })
const { title, items, mayStandBeside } = defineProps<{
  title: string
  items: readonly (ArchivedItem & { readonly editions?: number })[]
  /** Whether one that is here otherwise may come under another address. */
  mayStandBeside?: boolean
}>()

const same = computed(() => items.filter(({ state }) => state === 'same').length)
const shown = computed(() => items.filter(({ state }) => state !== 'same'))
const optionsOf = ({ state }: ArchivedItem): readonly (readonly [ArchiveChoice | '', string])[] =>
  state === 'absent'
    ? [
        ['add', 'bring it in'],
        ['', 'leave it out'],
      ]
    : [
        ['', 'keep what is here'],
        ['replace', 'take the archive’s draft'],
        ...(mayStandBeside ? ([['beside', 'put it beside, as another']] as const) : []),
      ]
function choose(id: string, choice: string): void {
  const { [id]: _, ...others } = choices.value
  choices.value = choice === '' ? others : { ...others, [id]: choice as ArchiveChoice }
}
</script>

<template>
  <section v-if="items.length" :aria-label="title">
    <h2>{{ title }}</h2>
    <p v-if="same" class="soft">
      {{
        same === items.length ? (same === 1 ? 'It is' : 'All are') : `${same} ${same === 1 ? 'is' : 'are'}`
      }}
      here as in the archive.
    </p>
    <table v-if="shown.length" class="reading-table">
      <thead>
        <tr>
          <th scope="col">In the archive</th>
          <th scope="col">Changed there</th>
          <th scope="col">Changed here</th>
          <th scope="col">What becomes of it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in shown" :key="item.id">
          <th scope="row">
            <bdi>{{ item.name }}</bdi><br /><span class="soft"
              >{{ item.id
              }}<template v-if="item.editions && item.state === 'absent'"
                >, {{ item.editions }} {{ item.editions === 1 ? 'edition' : 'editions' }}</template
              ></span
            >
          </th>
          <td>{{ dayOf(item.changedThere) }}</td>
          <td>
            <template v-if="item.changedHere">{{ dayOf(item.changedHere) }}</template><span
              v-else
              class="soft"
              >not here</span
            >
          </td>
          <td>
            <select
              class="pick"
              :value="choices[item.id] ?? ''"
              :aria-label="`What becomes of ${item.name}`"
              @change="choose(item.id, entered($event))"
            >
              <option v-for="[value, words] in optionsOf(item)" :key="value" :value="value">
                {{ words }}
              </option>
            </select>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
th:first-child {
  width: 42%;
}
th .soft {
  font-weight: 400;
}
th:last-child,
td:last-child {
  width: 260px;
}
</style>
