<script setup lang="ts">
import { computed } from 'vue'
import type { Part, Texts } from '@vivid/core/evaluate'
import type { Calculator } from '../model/use-calculator'
import PartsMeter from './PartsMeter.vue'

const { parts, labels, calculator } = defineProps<{
  parts: readonly Part[]
  labels: readonly { readonly label: Texts }[]
  calculator: Calculator
}>()

const shown = computed(() =>
  parts.flatMap(({ at, value }) =>
    'money' in value
      ? [
          {
            at,
            amount: value.money,
            label: calculator.say(labels[at]?.label ?? {}),
            figure: calculator.figures.value.money(value.money),
          },
        ]
      : [],
  ),
)
</script>

<template>
  <div class="whole">
    <PartsMeter :parts="shown" />
    <dl class="parts">
      <div v-for="part in shown" :key="part.at">
        <dt><span class="swatch" :class="`part-${part.at % 6}`"></span>{{ part.label }}</dt>
        <dd>{{ part.figure }}</dd>
      </div>
    </dl>
  </div>
</template>
