<script setup lang="ts">
import { Alert, Button, Textarea } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { z } from 'zod'
import { ChannelCalculator, KEYLESS_PER_MINUTE } from '@vivid/contract'
import { request } from '../shared/api/request'
import CallToAction from '../shared/page/CallToAction.vue'
import { copyText } from '../shared/files/copy-text'
import DeskArea from '../shared/page/DeskArea.vue'
import { useAsking } from '../shared/api/use-asking'
import PickField from '../shared/fields/PickField.vue'
import { languageName } from '../shared/fields/language-name'
import { useSession } from '../shared/session/session-store'
import KeysSection from './KeysSection.vue'

/** The same figures for other channels: what can be asked, a place to try it, and the keys to ask with. */
const session = useSession()
const { problem, asking } = useAsking()
const calculators = shallowRef<readonly ChannelCalculator[]>()
const slug = ref('')
const language = ref('')
const answers = ref('')
const answered = ref<{ status: number; ms: number; text: string }>()
const busy = ref(false)

const chosen = computed(() => calculators.value?.find((one) => one.slug === slug.value))
onMounted(() =>
  asking(async () => {
    calculators.value = await request(z.array(ChannelCalculator), 'GET', '/channels/calculators')
    slug.value = calculators.value[0]?.slug ?? ''
  }),
)
watch(chosen, (calculator) => {
  answers.value = JSON.stringify(calculator?.example ?? {}, null, 2)
  language.value = calculator?.languages[0] ?? ''
  answered.value = undefined
})

const parsed = computed((): { ok: true; value: unknown } | { ok: false } => {
  try {
    return { ok: true, value: JSON.parse(answers.value) as unknown }
  } catch {
    return { ok: false }
  }
})
const address = computed(() => `${window.location.origin}/api/public/calculators/${slug.value}/evaluate`)
const body = computed(() => ({
  answers: parsed.value.ok ? parsed.value.value : {},
  language: language.value,
}))
const command = computed(
  () =>
    `curl ${address.value} \\\n  -H 'content-type: application/json' \\\n  -H 'authorization: Bearer YOUR-KEY' \\\n  -d '${JSON.stringify(body.value).replaceAll("'", "'\\''")}'`,
)

async function send(): Promise<void> {
  busy.value = true
  const began = performance.now()
  try {
    const response = await fetch(address.value, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body.value),
    })
    const text = JSON.stringify(await response.json(), null, 2)
    answered.value = { status: response.status, ms: Math.round(performance.now() - began), text }
  } catch {
    answered.value = { status: 0, ms: 0, text: 'The server cannot be reached.' }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DeskArea
    title="Channels"
    about="the same figures for branches, apps and other servers, to the same cent"
    :problem="problem"
    :loading="!calculators"
  >
    <template #actions>
      <a class="link" href="/api/openapi.json" target="_blank" rel="noopener"
        >What can be asked, as OpenAPI</a
      >
    </template>
    <p v-if="calculators?.length === 0" class="soft none">
      Nothing is live yet: a calculator can be asked from the moment its first edition is.
    </p>
    <template v-else-if="chosen">
      <div class="pick-one">
        <PickField
          id="channel-calculator"
          label="Calculator"
          :value="slug"
          :options="(calculators ?? []).map((one) => ({ value: one.slug, label: one.title }))"
          @change="slug = $event"
        />
        <PickField
          id="channel-language"
          label="Words in"
          :value="language"
          :options="chosen.languages.map((value) => ({ value, label: languageName(value) }))"
          @change="language = $event"
        />
      </div>
      <div class="try">
        <section>
          <h2>Ask</h2>
          <label for="channel-answers">Answers; what is left out takes its default</label>
          <Textarea id="channel-answers" v-model:value="answers" :rows="11" class="code" spellcheck="false" />
          <p v-if="!parsed.ok" class="field-problem" role="alert">
            This is no JSON yet: a comma or a quote is amiss.
          </p>
          <CallToAction :disabled="!parsed.ok" :loading="busy" @click="send"
            >Ask for the figures</CallToAction
          >
          <details>
            <summary>What each answer looks like</summary>
            <dl>
              <template v-for="question in chosen.questions" :key="question.id">
                <dt>
                  <code>{{ question.id }}</code> <bdi>{{ question.label }}</bdi>
                </dt>
                <dd class="soft">{{ question.form }}</dd>
              </template>
            </dl>
          </details>
          <details>
            <summary>The same from a command line</summary>
            <pre tabindex="0">{{ command }}</pre>
            <Button size="small" @click="copyText(command)">Copy it</Button>
          </details>
        </section>
        <section>
          <h2>Answer</h2>
          <p v-if="!answered" class="soft">
            The figures with their words, and every payment of the schedule, stand here.
          </p>
          <template v-else>
            <Alert
              :type="answered.status === 200 ? 'success' : 'error'"
              role="status"
              :message="
                answered.status === 200 ? `200, in ${answered.ms} ms` : `Refused with ${answered.status}`
              "
            />
            <pre id="channel-answer" class="answer" tabindex="0">{{ answered.text }}</pre>
          </template>
        </section>
      </div>
    </template>
    <KeysSection v-if="session.can('keep')" :slugs="(calculators ?? []).map((one) => one.slug)" />
    <p v-else class="soft">
      A keeper makes keys, each with a limit of its own. Without one, {{ KEYLESS_PER_MINUTE }} evaluations a
      minute are answered from one address.
    </p>
  </DeskArea>
</template>

<style scoped>
.none {
  padding: 30px 0;
}
.pick-one {
  display: grid;
  grid-template-columns: minmax(0, 420px) 220px;
  gap: 14px;
  margin-bottom: 14px;
}
.try {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
  align-items: start;
  margin-bottom: 28px;
}
.try section {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.try section > :not(button) {
  width: 100%;
}
.code,
pre {
  font:
    13.5px/1.5 ui-monospace,
    monospace;
}
pre {
  margin: 8px 0;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--card);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.answer {
  max-height: 460px;
  overflow: auto;
}
summary {
  color: var(--plum);
  cursor: pointer;
}
dl {
  margin: 8px 0 0;
}
dd {
  margin: 0 0 6px;
}
@media (max-width: 900px) {
  .try {
    grid-template-columns: 1fr;
  }
}
</style>
