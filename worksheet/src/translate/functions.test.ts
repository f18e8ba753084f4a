import { expect, test } from 'vitest'
import { hand, inputs } from '../testing/by-hand'
import { gotOf, whyOf } from '../testing/drafts'

test.each<[string, number]>([
  ['PMT(B2/1200,B3,B1)', -hand.payment],
  ['PMT(0,B3,B1)', -1_000],
  ['PMT(B2/1200,B3,B1,0,1)', -hand.payment / 1.005],
  ['PMT(B2/1200,B3,B1,-20000)', -(hand.payment - (20_000 * 0.005) / (1.005 ** 120 - 1))],
  ['IPMT(B2/1200,B4,B3,B1)', -(hand.rows[6]?.interest ?? 0)],
  ['PPMT(B2/1200,B4,B3,B1)', -(hand.rows[6]?.principal ?? 0)],
  ['CUMIPMT(B2/1200,B3,B1,3,B4,0)', -hand.sum('interest', 3, 7)],
  ['CUMPRINC(B2/1200,B3,B1,1,B4,0)', -hand.sum('principal', 1, 7)],
  ['FV(B2/1200,B4,PMT(B2/1200,B3,B1),B1)', -(hand.rows[6]?.owed ?? 0)],
  [
    'PV(B2/1200,B3,-1000)',
    Array.from({ length: 120 }, (_, i) => 1_000 / 1.005 ** (i + 1)).reduce((a, b) => a + b),
  ],
  ['NPER(B2/1200,PMT(B2/1200,B3,B1),B1)', 120],
  ['NPER(0,-1000,B1)', 120],
  ['EFFECT(B2/100,12)', 1.005 ** 12 - 1],
  ['ROUND(-2.5,0)', -3],
  ['ROUNDUP(-2.1,0)', -3],
  ['ROUNDDOWN(2.19,1)', 2.1],
  ['ROUND(B1/7,-2)', 17_100],
  ['INT(-2.5)', -3],
  ['MOD(-7,3)', 2],
  ['TRUNC(-2.9)', -2],
  ['SIGN(-B1)*ABS(-3)', -3],
  ['2^-1+10%', 0.6],
  ['-2^2', 4],
  ['SQRT(B1/30000)+LN(EXP(2))+LOG10(100)', 6],
  ['IF(AND(B1>1,NOT(B2>6)),1,0)+IF(OR(B1=0,B2=6),10,0)', 11],
  ['SUM(B1:B4)', 120_133],
  ['MAX(B2,B3)-MIN(B2:B4)+AVERAGE(B2,B4)', 120.5],
  ['CHOOSE(B4-5,1,22,3)', 22],
  ['IFERROR(B1/(B4-7),-1)', -1],
  ['IFERROR(B1/B3,-1)', 1_000],
  ['IFERROR(PMT(B2/1200,B4-7,B1),0)', 0],
  ['IFERROR(MATCH(8,B1:B4,0),99)+IFNA(MATCH(7,B1:B4,0),99)', 103],
  ['IFS(B4>9,1,B4>6,2,TRUE,3)', 2],
  ['SWITCH(B4,5,1,7,2,3)+SWITCH(B4,1,1,30)', 32],
  ['SUMPRODUCT(B2:B3,B3:B4)', 6 * 120 + 120 * 7],
  ['CEILING(2.1,0.5)+FLOOR(2.9,0.5)+CEILING(-2.1,1)+FLOOR(-2.1,1)', 2.5 + 2.5 - 2 - 3],
  ['MROUND(7.6,5)', 10],
  ['ISPMT(B2/1200,B4,B3,B1)', -120_000 * 0.005 * (1 - 7 / 120)],
  ['PDURATION(0.025,2000,2200)', Math.log(1.1) / Math.log(1.025)],
  ['RRI(96,10000,11000)', 1.1 ** (1 / 96) - 1],
  ['N(B4)+N("x")+N(B4=7)', 8],
  ['IF(ISNUMBER(B4),1,0)+IF(ISNUMBER("x"),10,0)', 1],
  ['LOOKUP(B4,B4:B4,B3:B3)', 120],
  // 25 November 2026 is day 46,351 (ISO/IEC 29500-1, 18.17.4.1).
  ['DATE(2026,11,25)', 46_351],
  ['EDATE(DATE(2026,1,31),1)-DATE(2026,1,31)', 28],
  // 31 January 2028 is day 46,783, 29 February 2028 day 46,812.
  ['EOMONTH(DATE(2028,1,15),0)', 46_783],
  ['EOMONTH(DATE(2028,1,31),1)', 46_812],
  ['EOMONTH(DATE(2028,3,1),-1)', 46_812],
  ['MONTH(DATE(2028,2,29))*100+DAY(DATE(2028,2,29))', 229],
  ['MONTH(EDATE(DATE(2026,11,30),B4-4))*100+DAY(EDATE(DATE(2026,11,30),B4-4))', 228],
  ['DATE(2021+B4,2,1)+28', 46_812],
  ['YEAR(DATE(2021+B4,B4+8,1))', 2029],
  ['DATE(2021+B4,2,B4+22)', 46_812],
  ['DAYS(DATE(2028,2,29),DATE(2028,1,31))', 29],
  ['DATEDIF(DATE(2026,1,31),DATE(2028,1,30),"m")', 23],
  ['DATEDIF(DATE(2026,1,31),DATE(2028,1,30),"y")', 1],
  ['QUOTIENT(-7,2)', -3],
  ['SLN(B1,B3,B4)', (120_000 - 120) / 7],
  ['SUMSQ(B2:B4,1)', 36 + 14_400 + 49 + 1],
  ['SUBTOTAL(109,B2:B4)+SUBTOTAL(4,B2:B4)', 133 + 120],
  ['NPV(0.1,B2,B3)', 6 / 1.1 + 120 / 1.21],
  ['NPV(B2/100,B2:B4)-B2', 6 / 1.06 + 120 / 1.1236 + 7 / 1.191016 - 6],
  ['CHOOSE(MATCH(B4,{5,7,9},0),52,26,12)', 26],
  ['LOOKUP(B4,{0,5,10},{1,2,3})', 2],
  ['VLOOKUP(B4,{0,0.5;5,0.7;10,0.9},2)', 0.7],
  ['SUM({1,2;3,4})+SUMPRODUCT({1,2},{3,4})', 21],
  ['IF(OR(B4={1,7}),1,2)+IF(OR(B4={1,2}),10,20)+IF(AND({7,7}=B4),100,200)', 121],
  ['MEDIAN(0,B4,5)+MEDIAN(0,-B4,5)+MEDIAN(B2:B4)', 12],
  ['LARGE(B2:B4,1)-SMALL(B2:B4,1)', 114],
  ['IF(ISBLANK(B4),1,2)+IF(ISBLANK(Z9),10,20)', 12],
  ['EVEN(2.1)+EVEN(-3)', 0],
  ['IF(XOR(B4=7,B2=6),1,2)+IF(XOR(B4=7,B2=7),10,20)', 12],
  // 25 November 2026 is a Wednesday.
  ['WEEKDAY(DATE(2026,11,25))', 4],
  ['WEEKDAY(DATE(2026,11,25),2)*10+WEEKDAY(DATE(2026,11,29),3)', 36],
  ['YEAR(EDATE(DATE(2026,11,25),B4))', 2027],
])('%s', async (formula, wanted) => {
  const got = await gotOf({ ...inputs, D1: `=${formula}` }, 'D1')
  expect(Math.abs(Number(got) - wanted)).toBeLessThan(1e-7 * Math.max(1, Math.abs(wanted)))
})

test.each<[string, string, string]>([
  ['something found by trying', '=RATE(B3,-1000,B1)', 'an aim step finds the rate'],
  ['time that changes by itself', '=TODAY()', 'changes by itself'],
  ['a function without a meaning here', '=HYPERLINK("x")', 'HYPERLINK has no meaning here'],
  ['another file', "='[Other.xlsx]S'!A1+[1]S!A1", 'cannot be read at'],
  ['a list of figures', '={1,2}', 'several figures where one is needed'],
  ['a list of cells', '=SUM({1,B2})', 'it has a list of what is worked out'],
  ['a list that breaks off', '=SUM({1,2', 'cannot be read at'],
  ['a list where one figure is needed', '=ROUND({1.26,2},1)', 'several figures where one is needed'],
  ['the second by size', '=LARGE(B1:B4,2)', 'another than the first'],
  ['the middle of four', '=MEDIAN(B1:B4)', 'other than three'],
  ['an error', '=B1+#REF!', 'it has the error #REF!'],
  ['a name that is none', '=Nothing+1', 'nothing is called “nothing”'],
  ['itself', '=D1+1', 'it goes in a circle'],
  ['totals within totals', '=SUBTOTAL(9,D4:D5)', 'it leaves out totals'],
  ['what SUBTOTAL has another number for', '=SUBTOTAL(7,B1:B4)', 'none of those it has numbers for'],
  ['a day before both calendars', '=DATE(3,-40,1)', 'its day is none that both calendars have'],
  ['a day behind them', '=DATE(10000,1,1)', 'its day is none that both calendars have'],
  ['the month of a figure', '=EOMONTH(B4,1)', 'it asks the month of what is no date'],
  ['time in parts of a month', '=DATEDIF(DATE(2026,1,1),DATE(2027,1,1),"yd")', 'otherwise than in whole'],
  ['texts with figures', '=B1&" a month"', 'are put together by a sentence'],
])('%s is left out, and said', async (_, formula, why) => {
  const within = { D4: '=SUBTOTAL(9,B1:B2)', D5: 1 }
  expect(await whyOf({ ...inputs, ...within, D1: formula, D2: '=B1*2' }, 'D1')).toContain(why)
  expect(await gotOf({ ...inputs, D1: formula, D2: '=B1*2' }, 'D2')).toBe(240_000)
})

test('what rests on a cell that is left out is left out too, by its name', async () => {
  expect(await whyOf({ ...inputs, D1: '=RATE(B3,-1,B1)', D2: '=D1*12' }, 'D2')).toBe(
    'it rests on S!D1, which is not taken over',
  )
})

test('no figure is shown where the worksheet has none', async () => {
  expect(await gotOf({ ...inputs, D1: '=IF(B2>5,NA(),1)' }, 'D1')).toBe(null)
  expect(await gotOf({ ...inputs, D1: '=IF(B2>6,NA(),1)' }, 'D1')).toBe(1)
  expect(await gotOf({ ...inputs, D1: '=B1/(B2-6)' }, 'D1')).toBe(null)
  expect(await gotOf({ ...inputs, D1: '=IPMT(B2/1200,121,B3,B1)' }, 'D1')).toBe(null)
})
