import { buildParser } from '@lezer/generator'

/**
 * The grammar of formulas as OASIS OpenFormula 1.3 has it and ISO/IEC 29500 writes it: a percent sign binds more than a sign before,
 * that more than a power, and so on down to comparisons. A function's name has its bracket with it.
 */
const GRAMMAR = String.raw`
@precedence { percent, sign, power @left, times @left, plus @left, text @left, compare @left }
@top Formula { expression }
expression { Number | Text | Fault | Call | Array | Range | Columns | Cell | Name | Group | Percent | Sign | Binary }
Group { "(" expression ")" }
Call { Function list ")" }
list { item ("," item)* }
item { expression | Nothing }
Nothing { "" }
Array { "{" Row (";" Row)* "}" }
Row { expression ("," expression)* }
Range { Cell ":" Cell }
Percent { expression !percent "%" }
Sign { SignOf { "-" | "+" } !sign expression }
Binary {
  expression !power Operator { "^" } expression |
  expression !times Operator { "*" | "/" } expression |
  expression !plus Operator { "+" | "-" } expression |
  expression !text Operator { "&" } expression |
  expression !compare Operator { "=" | "<>" | "<=" | ">=" | "<" | ">" } expression
}
@skip { space }
@tokens {
  space { $[ \t\n\r]+ }
  Number { (@digit+ ("." @digit*)? | "." @digit+) (("e" | "E") ("+" | "-")? @digit+)? }
  Text { '"' (!["] | '""')* '"' }
  Fault { "#" $[A-Z0-9/]+ $[!?]? }
  sheet { ("'" (!['] | "''")+ "'" | $[A-Za-z_\u{a1}-\u{10ffff}] $[A-Za-z0-9_.\u{a1}-\u{10ffff}]*) "!" }
  Columns { sheet? "$"? $[A-Za-z] $[A-Za-z]? $[A-Za-z]? ":" "$"? $[A-Za-z] $[A-Za-z]? $[A-Za-z]? }
  Cell { sheet? "$"? $[A-Za-z] $[A-Za-z]? $[A-Za-z]? "$"? @digit+ }
  Function { $[A-Za-z_] $[A-Za-z0-9_.]* "(" }
  Name { $[A-Za-z_\\\u{a1}-\u{10ffff}] $[A-Za-z0-9_.\\?\u{a1}-\u{10ffff}]* }
  @precedence { Columns, Function, Cell, Name, Number }
  "(" ")" "{" "}" "," ";" ":" "%" "^" "*" "/" "+" "-" "&" "=" "<>" "<=" ">=" "<" ">"
}
`

export const formulaParser = buildParser(GRAMMAR)
