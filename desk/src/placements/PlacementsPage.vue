<script setup lang="ts">
import { Alert, Button, message, Modal } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { z } from 'zod'
import {
  CalculatorCard,
  PlacementsListed,
  type PlacementChoices,
  type PlacementListed,
  type SaveSite,
  type Site,
  type Stray,
} from '@vivid/contract'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskArea from '../shared/page/DeskArea.vue'
import RowTable from '../shared/page/RowTable.vue'
import { useAsking } from '../shared/api/use-asking'
import { languageName } from '../shared/fields/language-name'
import { dayOf, whenOf } from '../shared/time/moments'
import { useSession } from '../shared/session/session-store'
import PlacementDialog from './PlacementDialog.vue'
import SiteDialog from './SiteDialog.vue'
import SnippetDialog from './SnippetDialog.vue'

/** Which page of which site shows what. Nowhere else may a calculator be framed. */
const session = useSession()
const route = useRoute()
const { busy, problem, asking } = useAsking()
const listed = shallowRef<PlacementsListed>()
const cards = shallowRef<readonly CalculatorCard[]>([])
onMounted(() =>
  asking(async () => {
    const [placements, calculators] = await Promise.all([
      request(PlacementsListed, 'GET', '/placements'),
      request(z.array(CalculatorCard), 'GET', '/calculators'),
    ])
    listed.value = placements
    cards.value = [...calculators].sort((a, b) => a.title.localeCompare(b.title))
  }),
)
/** Where one calculator is asked for, only its own. */
const only = computed(() => (typeof route.query.calculator === 'string' ? route.query.calculator : ''))
const placements = computed(() =>
  (listed.value?.placements ?? []).filter(({ slug }) => only.value === '' || slug === only.value),
)

const editing = ref(false)
const before = shallowRef<PlacementListed>()
const edit = (placement?: PlacementListed) => {
  before.value = placement
  editing.value = true
}
const ask = (method: 'POST' | 'PUT' | 'DELETE', path: string, body?: object, done = 'Saved.') =>
  asking(async () => {
    listed.value = await request(PlacementsListed, method, `/placements${path}`, body)
    void message.success(done)
  })
const save = (choices: PlacementChoices) =>
  before.value
    ? ask('PUT', `/${before.value.id}`, choices)
    : ask('POST', '', choices, 'Placed: its snippet is ready.')

const editingSite = ref(false)
const site = shallowRef<Site>()
const editSite = (one?: Site) => {
  site.value = one
  editingSite.value = true
}
const saveSite = (saved: SaveSite) =>
  site.value
    ? ask('PUT', `/sites/${site.value.id}`, saved)
    : ask('POST', '/sites', saved, 'The site is listed.')

function confirmRemoval(title: string, content: string, path: string): void {
  Modal.confirm({
    title,
    content,
    okText: 'Remove it',
    okButtonProps: { danger: true },
    cancelText: 'Keep it',
    onOk: () => ask('DELETE', path, undefined, 'Removed.').then(() => undefined),
  })
}

/** "500,000.00 · 20%": answers are kept with plain numbers. */
const saidAnswers = (answers: PlacementChoices['answers']): string =>
  Object.values(answers)
    .map((text) => text.replace(/\d{4,}(?=\.\d{2}$)/, (whole) => Number(whole).toLocaleString('en-CA')))
    .join(' · ')

const snippetOpen = ref(false)
const snippetOf = shallowRef<PlacementListed>()
const showSnippet = (placement: PlacementListed) => {
  snippetOf.value = placement
  snippetOpen.value = true
}

const reasons: Readonly<Record<Stray['why'], string>> = {
  unlisted: 'on a site that is not listed: it is not shown there',
  takenDown: 'shows the notice of a calculator that was taken down',
  notLive: 'shows nothing: the calculator is not live',
  unknown: 'shows nothing: there is no such placement or calculator',
}
const strayWords = computed(() => {
  const count = listed.value?.strays.length ?? 0
  return count === 1
    ? 'One snippet stands where it should not, or shows nothing'
    : `${count} snippets stand where they should not, or show nothing`
})
const columns = [
  { title: 'Page', key: 'page' },
  { title: 'Shows', key: 'shows' },
  { title: 'Language', key: 'language', width: 140 },
  { title: 'Answers', key: 'answers', width: 170 },
  { title: 'Width', key: 'width', width: 80, align: 'right' as const },
  { title: 'Last seen', key: 'seen', width: 150 },
  { title: '', key: 'actions', width: 190 },
]
</script>

<template>
  <DeskArea
    title="Placements"
    about="which page of which site shows what; nowhere else may a calculator be framed"
    :problem="problem"
    :loading="!listed"
  >
    <template #actions>
      <Button v-if="session.can('keep')" @click="editSite()">List a site</Button>
      <CallToAction
        v-if="session.can('place')"
        :disabled="!listed?.sites.length"
        :loading="busy"
        @click="edit()"
        >Place a calculator</CallToAction
      >
    </template>
    <template v-if="listed">
      <Alert v-if="listed.strays.length" type="warning" role="status" :message="strayWords" class="strays">
        <template #description>
          <p v-for="(stray, i) in listed.strays.slice(0, 8)" :key="i">
            <code>{{ stray.origin }}{{ stray.page }}</code> {{ reasons[stray.why] }}
            <span class="soft">({{ stray.slug || 'an unknown one' }}, seen {{ dayOf(stray.lastSeen) }})</span>
          </p>
        </template>
      </Alert>
      <ul class="sites" aria-label="Sites">
        <li v-for="one in listed.sites" :key="one.id">
          <strong>{{ one.name }}</strong> <code>{{ one.origins.join(' ') }}</code>
          <template v-if="session.can('keep')">
            <button type="button" class="link" @click="editSite(one)">change</button>
            <button
              v-if="!listed.placements.some(({ site: where }) => where === one.id)"
              type="button"
              class="link"
              @click="confirmRemoval(`Remove “${one.name}”?`, 'Nothing is placed on it.', `/sites/${one.id}`)"
            >
              remove
            </button>
          </template>
        </li>
        <li v-if="listed.sites.length === 0" class="soft">
          No site is listed yet: a keeper lists the addresses of the lender’s website first, then calculators
          are placed on its pages.
        </li>
      </ul>
      <p v-if="only" class="soft">
        Only those of one calculator. <RouterLink to="/placements" class="link">Show all</RouterLink>
      </p>
      <p v-if="placements.length === 0" class="soft none">
        Nothing is placed yet: choose a page and what it shows, and give its snippet to whoever looks after
        the site.
      </p>
      <RowTable v-else :rows="placements" :columns="columns" row-key="id" :scroll="{ x: 760 }">
        <template #cell="{ column, row: placement }">
          <template v-if="column === 'page'">
            <code>{{ placement.page }}</code><br /><span class="soft">{{ placement.siteName }}</span>
          </template>
          <template v-else-if="column === 'shows'">
            <bdi>{{ placement.title }}</bdi>
            <p v-if="placement.isTakenDown" class="warn"><span aria-hidden="true">▲</span> taken down</p>
            <p v-else-if="!placement.isLive" class="warn"><span aria-hidden="true">▲</span> not live</p>
          </template>
          <template v-else-if="column === 'language'">{{
            placement.language ? languageName(placement.language) : 'the page’s own'
          }}</template>
          <span
            v-else-if="column === 'answers'"
            :class="{ soft: Object.keys(placement.answers).length === 0 }"
          >
            {{ saidAnswers(placement.answers) || 'the usual' }}
            <span v-if="placement.refused.length" class="warn"
              ><br /><span aria-hidden="true">▲</span> no longer taken:
              {{ placement.refused.join(', ') }}</span
            >
          </span>
          <template v-else-if="column === 'width'">{{ placement.width ?? 'page' }}</template>
          <template v-else-if="column === 'seen'">
            <template v-if="placement.lastSeen">{{ whenOf(new Date(placement.lastSeen)) }}</template>
            <span v-else class="soft">never yet</span>
            <p v-if="placement.seenAt" class="warn">on {{ placement.seenAt }}</p>
          </template>
          <span v-else class="acts">
            <button
              v-if="placement.isLive || placement.isTakenDown"
              type="button"
              class="link"
              @click="showSnippet(placement)"
            >
              Snippet
            </button>
            <span v-else class="soft">Snippet once live</span>
            <template v-if="session.can('place')">
              <button type="button" class="link" @click="edit(placement)">Change</button>
              <button
                type="button"
                class="link"
                @click="
                  confirmRemoval(
                    'Remove this placement?',
                    'A snippet that still stands on the page shows nothing from then on.',
                    `/${placement.id}`,
                  )
                "
              >
                Remove
              </button>
            </template>
          </span>
        </template>
      </RowTable>
      <PlacementDialog
        v-model:open="editing"
        :before="before"
        :sites="listed.sites"
        :calculators="cards"
        :preferred="cards.find(({ slug }) => slug === only)?.id ?? ''"
        :save="save"
        :problem="problem"
      />
      <SiteDialog v-model:open="editingSite" :before="site" @save="saveSite" />
      <SnippetDialog v-model:open="snippetOpen" :placement="snippetOf" />
    </template>
  </DeskArea>
</template>

<style scoped>
.strays {
  margin-bottom: 14px;
}
.sites {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
}
.sites .link {
  margin-left: 8px;
}
.warn {
  color: var(--sun-text);
  font-size: 14px;
}
.acts {
  display: flex;
  gap: 12px;
}
.none {
  padding: 30px 0;
}
</style>
