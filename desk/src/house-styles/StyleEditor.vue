<script setup lang="ts">
import { Alert, Input } from 'ant-design-vue'
import { computed } from 'vue'
import {
  contrastFaults,
  darkColoursOf,
  fontNames,
  type FontName,
  type StyleChoices,
  type StyleColour,
} from '@vivid/contract'
import { entered } from '../shared/fields/entered'
import PickField from '../shared/fields/PickField.vue'
import LogoField from './LogoField.vue'
import WordsSection from './words/WordsSection.vue'
import { colourGroups, colourWords, fontWords } from '../shared/preview/style-words'

/** What a house style is made of. Every pair of colours that has to be told apart is measured while it is chosen. */
const { name, choices, side } = defineProps<{
  name: string
  choices: StyleChoices
  /** Whose colours are chosen: as they are, or for browsers whose owners prefer dark pages. */
  side: 'light' | 'dark'
}>()
const emit = defineEmits<{ rename: [name: string]; change: [choices: StyleChoices, key?: string] }>()

const faults = computed(() => contrastFaults(choices))
const isFaulty = (colour: StyleColour) =>
  faults.value.some((one) => one.side === side && (one.of === colour || one.on === colour))
const colours = computed(() => (side === 'dark' ? darkColoursOf(choices) : choices.colours))
const isChosen = (colour: StyleColour) => side === 'dark' && choices.darkColours?.[colour] !== undefined
const set = (fields: Partial<StyleChoices>, key?: string) => emit('change', { ...choices, ...fields }, key)
function setColour(colour: StyleColour, text: string): void {
  const hex = text.trim().toLowerCase()
  if (!/^#[0-9a-f]{6}$/.test(hex)) return
  if (side === 'dark') set({ darkColours: { ...choices.darkColours, [colour]: hex } }, `dark ${colour}`)
  else set({ colours: { ...choices.colours, [colour]: hex } }, colour)
}
function follow(colour: StyleColour): void {
  const rest = Object.entries(choices.darkColours ?? {}).filter(([one]) => one !== colour)
  set({ darkColours: rest.length > 0 ? Object.fromEntries(rest) : undefined })
}
const fontOptions = fontNames.map((value) => ({ value, label: fontWords[value] }))
</script>

<template>
  <div class="style-editor">
    <div class="editor">
      <div>
        <label for="style-name">Name</label>
        <Input id="style-name" :value="name" :maxlength="80" @update:value="emit('rename', $event)" />
      </div>
      <PickField
        id="style-scheme"
        label="The browser draws its own parts"
        :value="choices.scheme"
        :options="[
          { value: 'light', label: 'dark on light' },
          { value: 'dark', label: 'light on dark' },
        ]"
        @change="set({ scheme: $event as 'light' | 'dark' })"
      />
      <PickField
        id="style-display"
        label="Letters of headings and figures"
        :value="choices.display"
        :options="fontOptions"
        @change="set({ display: $event as FontName })"
      />
      <PickField
        id="style-text"
        label="Letters of everything else"
        :value="choices.text"
        :options="fontOptions"
        @change="set({ text: $event as FontName })"
      />
      <div>
        <label for="style-corner">Corners, {{ choices.corner }} px</label>
        <input
          id="style-corner"
          type="range"
          min="0"
          max="24"
          class="range"
          :value="choices.corner"
          @input="set({ corner: Number(entered($event)) }, 'corner')"
        />
      </div>
      <PickField
        id="style-density"
        label="Room between things"
        :value="choices.density"
        :options="[
          { value: 'compact', label: 'little' },
          { value: 'normal', label: 'some' },
          { value: 'roomy', label: 'much' },
        ]"
        @change="set({ density: $event as StyleChoices['density'] })"
      />
    </div>
    <LogoField :logo="choices.logo" @change="set({ logo: $event }, 'logo')" />
    <WordsSection
      :words="choices.words ?? {}"
      @change="set({ words: Object.keys($event).length > 0 ? $event : undefined }, 'words')"
    />
    <p v-if="side === 'dark'" class="soft">
      These follow from the light side, each as light as it has to be to be read. One you choose stays as you
      chose it.
    </p>
    <fieldset v-for="group in colourGroups" :key="group.name">
      <legend>{{ group.name }}</legend>
      <div v-for="colour in group.colours" :key="colour" class="colour" :class="{ faulty: isFaulty(colour) }">
        <input
          :id="`colour-${colour}`"
          type="color"
          :value="colours[colour]"
          @input="setColour(colour, entered($event))"
        />
        <label :for="`colour-${colour}`">{{ colourWords[colour] }}</label>
        <input
          class="hex"
          :value="colours[colour]"
          :aria-label="`${colourWords[colour]}, as #rrggbb`"
          maxlength="7"
          spellcheck="false"
          @change="setColour(colour, entered($event))"
        />
        <span v-if="isFaulty(colour)" class="mark" aria-hidden="true">▲</span>
        <button v-if="isChosen(colour)" type="button" class="link follow" @click="follow(colour)">
          follow the light side
        </button>
      </div>
    </fieldset>
    <Alert
      v-if="faults.length"
      type="error"
      role="status"
      :message="`${faults.length} ${faults.length === 1 ? 'pair is' : 'pairs are'} too alike to be read`"
    >
      <template #description>
        <p v-for="fault in faults" :key="`${fault.side} ${fault.of} ${fault.on}`">
          {{ fault.side === 'dark' ? 'On the dark side, ' : '' }}“{{ colourWords[fault.of] }}” on “{{
            colourWords[fault.on]
          }}”: {{ fault.ratio.toFixed(2) }} to 1, and {{ fault.least }} to 1 is needed.
        </p>
      </template>
    </Alert>
    <p v-else class="sound"><span aria-hidden="true">✓</span> Every pair of colours can be told apart.</p>
  </div>
</template>

<style scoped>
.style-editor {
  display: grid;
  gap: 14px;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 6px 20px;
  margin: 0;
  padding: 10px 14px 14px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
legend {
  width: auto;
  margin: 0;
  padding: 0 6px;
  border: 0;
  font-size: 15px;
  font-weight: 600;
}
.colour {
  display: grid;
  grid-template-columns: 34px 1fr 76px 12px;
  gap: 8px;
  align-items: center;
}
.colour input[type='color'] {
  width: 34px;
  height: 26px;
  padding: 0;
  border: 1px solid var(--control-line);
  border-radius: 5px;
  background: none;
}
.hex {
  padding: 3px 6px;
  border: 1px solid var(--control-line);
  border-radius: 5px;
  font-size: 14px;
}
.follow {
  grid-column: 2 / -1;
  justify-self: start;
}
.mark {
  color: var(--red-text);
}
.range {
  width: 100%;
  accent-color: var(--plum);
}
.sound {
  color: var(--leaf);
}
</style>
