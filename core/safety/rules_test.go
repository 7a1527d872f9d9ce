package safety_test

import (
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// letters are the verdicts as the house's safety page writes them, by age
// band; the tables below are that page's.
var letters = map[byte]safety.Verdict{
	'C': safety.Care,
	'N': safety.AdultNear,
	'D': safety.AdultDoes,
	'X': safety.NotAtHome,
}

// everyRule has, for every rule of the book, a design that just triggers it,
// with the verdicts 5-7 to 14-18, and one that just does not.
var everyRule = []struct {
	rule, name string
	triggers   string
	verdicts   string // "!" for absolute
	not        string
}{
	{
		"mild-acid",
		"",
		"v: vinegar-white 8 %\n---\npour: pour with v",
		"CCCC",
		"v: vinegar-white 8.1 %\n---\npour: pour with v",
	},
	{
		"mild-acid",
		"powder",
		"c: citric-acid-powder\n---\na: pour with c",
		"NCCC",
		"c: sugar-granulated\n---\na: pour with c",
	},
	{
		"acid-concentrate",
		"",
		"v: vinegar-white 8.1 %\n---\na: pour with v",
		"XDDN",
		"v: vinegar-white 8 %\n---\na: pour with v",
	},
	{
		"acid-concentrate",
		"essence",
		"v: vinegar-white 12.1 %\n---\na: pour with v",
		"XXXX!",
		"v: vinegar-white 12 %\n---\na: pour with v",
	},
	{
		"acid-concentrate",
		"citric",
		"c: citric-acid-powder 21 %\n---\na: pour with c",
		"XDDN",
		"c: citric-acid-powder 20 %\n---\na: pour with c",
	},
	{"strong-acid", "", "d: toilet-cleaner\n---\na: pour with d", "XXXX!", "d: vinegar-white\n---\na: pour with d"},
	{"strong-alkali", "", "d: drain-cleaner\n---\na: pour with d", "XXXX!", "d: baking-soda\n---\na: pour with d"},
	{
		"corrosive",
		"",
		"d: pool-chemical\n---\na: pour with d",
		"XXXX!",
		"d: washing-soda-crystals\n---\na: pour with d",
	},
	{
		"washing-soda",
		"",
		"w: washing-soda-crystals\n---\na: stir with w",
		"XDDN",
		"w: baking-soda\n---\na: stir with w",
	},
	{"mild-alkali", "", "w: baking-soda\n---\na: stir with w", "CCCC", "w: table-salt\n---\na: stir with w"},
	{
		"peroxide-mild",
		"",
		"p: peroxide-3 10 volumes 50 mL\n---\na: pour with p",
		"DNNN",
		"p: peroxide-3 11 volumes 50 mL\n---\na: pour with p",
	},
	{
		"peroxide-mild",
		"much",
		"p: peroxide-3 3 % 51 mL\n---\na: pour with p",
		"XXXX",
		"p: peroxide-3 3 % 50 mL\n---\na: pour with p",
	},
	{
		"peroxide-strong",
		"",
		"p: peroxide-3 11 volumes 50 mL\n---\na: pour with p",
		"XXXX!",
		"p: peroxide-3 3 % 50 mL\n---\na: pour with p",
	},
	{
		"peroxide-strong",
		"cream",
		"p: peroxide-cream 5 mL\n---\na: pour with p",
		"XXXX!",
		"p: peroxide-3 5 mL\n---\na: pour with p",
	},
	{
		"alcohol-rubbing",
		"",
		"p: isopropyl-70 30 mL\n---\na: pour with p",
		"DDDN",
		"p: water-tap 30 mL\n---\na: pour with p",
	},
	{
		"alcohol-rubbing",
		"much",
		"p: isopropyl-70 31 mL\n---\na: pour with p",
		"XXXX",
		"p: isopropyl-70 30 mL\n---\na: pour with p",
	},
	{
		"alcohol-strong",
		"",
		"p: isopropyl-91 30 mL\n---\na: pour with p",
		"DDDD",
		"p: isopropyl-70 30 mL\n---\na: pour with p",
	},
	{"solvent-fuel", "", "p: lamp-oil\n---\na: pour with p", "XXXX!", "p: oil-vegetable\n---\na: pour with p"},
	{
		"solvent-fuel",
		"pure",
		"p: isopropyl-91 92 % 5 mL\n---\na: pour with p",
		"XXXX!",
		"p: isopropyl-91 91 % 5 mL\n---\na: pour with p",
	},
	{"cleaners", "", "p: laundry-powder\n---\na: pour with p", "XXXX!", "p: dish-soap\n---\na: pour with p"},
	{"borax-boric", "", "p: borax\n---\na: pour with p", "XXXX!", "p: table-salt\n---\na: pour with p"},
	{"heat-makers", "", "p: calcium-chloride\n---\na: stir with p", "XXDN", "p: table-salt\n---\na: stir with p"},
	{"heat-makers", "plaster", "---\na: plaster", "NNCC", "---\na: stir"},
	{"heat-makers", "cement", "---\na: plaster-on-body", "XXXX!", "---\na: plaster"},
	{"beads", "", "b: water-beads\n---\na: soak with b", "XXXX!", "b: kidney-bean-dry\n---\na: soak with b"},
	{"powder-dust", "", "f: wheat-flour\n---\na: stir with f", "CCCC", "f: table-salt\n---\na: stir with f"},
	{"powder-dust", "cloud", "f: cornflour\n---\na: throw-powder with f", "NCCC", "f: cornflour\n---\na: stir with f"},
	{"dyes", "", "d: food-colouring-liquid\n---\na: pour with d", "CCCC", "d: water-tap\n---\na: pour with d"},
	{"dyes", "iodine", "d: povidone-iodine\n---\na: pour with d", "DDNC", "d: turmeric\n---\na: pour with d"},
	{"toxic-if-eaten", "", "b: kidney-bean-dry\n---\na: soak with b", "NNCC", "b: lentil-whole\n---\na: soak with b"},
	{"toxic-if-eaten", "deadly", "b: antifreeze\n---\na: pour with b", "XXXX!", "b: glycerine\n---\na: pour with b"},
	{"unknown", "unsaid", "u: unsaid\n---\na: stir with u", "XXXX", "u: object a spoon\n---\na: stir with u"},
	{"unknown", "unlabelled", "---\na: unlabelled", "XXXX!", "---\na: stir"},
	{
		"unknown",
		"refused",
		"u: object drain crystals\n---\na: stir with u",
		"XXXX!",
		"u: object a blue cup\n---\na: stir with u",
	},
	{
		"unknown",
		"refused",
		"u: object a little Lejía\n---\na: stir with u",
		"XXXX!",
		"u: object a leaf\n---\na: stir with u",
	},
	{
		"unknown",
		"resembles",
		"u: object blaech\n---\na: stir with u",
		"XXXX",
		"u: object a beach ball\n---\na: stir with u",
	},
	{"unknown", "action", "---\na: juggle", "XXXX", "---\na: stir"},
	{"decanted", "", "---\na: decant", "CCCC", "---\na: pour"},
	{
		"decanted",
		"",
		"v: vinegar-white\nj: jam-jar\n---\na: pour with v in j",
		"CCCC",
		"v: vinegar-white\nb: zip-bag-small\n---\na: pour with v in b",
	},
	{"adult-near", "", "o: battery-9v\n---\na: put with o", "NNNN", "o: battery-aa\n---\na: put with o"},
	{"irritant", "", "o: rock-salt\n---\na: pour with o", "CCCC", "o: table-salt\n---\na: pour with o"},
	{"adult-does", "", "o: agar\n---\na: pour with o", "DDDD", "o: gelatine\n---\na: pour with o"},
	{"not-at-home", "", "o: glue-instant\n---\na: put with o", "XXXX!", "o: glue-stick\n---\na: put with o"},
	{
		"mix-cleaners",
		"any",
		"b: bleach\nv: vinegar-white\n---\na: pour with b\nb: pour with v",
		"XXXX!",
		"b: dish-soap\nv: vinegar-white\n---\na: pour with b\nb: pour with v",
	},
	{"mix-cleaners", "clearing", "---\na: clean-with-bleach", "XXXX!", "---\na: wash-hands"},
	{
		"mix-peroxide-acid",
		"any",
		"p: peroxide-3 10 mL\nv: vinegar-white 10 mL\nj: jam-jar\n---\na: pour with p in j\nb: pour with v in j",
		"XXXX!",
		"p: peroxide-3 10 mL\nv: vinegar-white 10 mL\nj: jam-jar\nk: mug\n---\na: pour with p in j\nb: pour with v in k",
	},
	{
		"flame-flammable",
		"any",
		"p: isopropyl-70 10 mL\n---\na: pour with p\nb: light",
		"XXXX!",
		"p: vinegar-white 10 mL\n---\na: pour with p\nb: light",
	},
	{
		"flame-flammable",
		"any",
		"p: isopropyl-70 10 mL\n---\na: pour with p\nb: heat at 80 °C",
		"XXXX!",
		"p: isopropyl-70 10 mL\n---\na: pour with p\nb: warm-water at 40 °C",
	},
	{
		"flame-flammable",
		"any",
		"v: vinegar-white\nn: nail-galvanised\nj: mug\n---\na: put with v n in j\nb: light",
		"XXXX!",
		"v: vinegar-white\nn: nail-steel\nj: mug\n---\na: put with v n in j\nb: light",
	},
	{
		"peroxide-catalyst",
		"fast",
		"p: peroxide-3 10 mL\nn: nail-steel\nj: mug\n---\na: put with p n in j",
		"XXXX!",
		"p: peroxide-3 10 mL\nn: spoon-steel\nj: mug\n---\na: put with p n in j",
	},
	{
		"peroxide-catalyst",
		"fast",
		"p: peroxide-3 10 mL\nn: iodine-tincture 1 mL\nj: mug\n---\na: put with p n in j",
		"XXXX!",
		"p: peroxide-3 10 mL\nn: iodine-tincture 1 mL\nj: mug\nk: mug\n---\na: put with p in j\nb: put with n in k",
	},
	{
		"mix-cleaners",
		"two",
		"b: bleach\nc: laundry-powder\n---\na: put with b c",
		"XXXX!",
		"b: bleach\n---\na: put with b",
	},
	{
		"gas-rigid-closed",
		"heated",
		"w: water-tap 100 mL\nj: jam-jar\n---\na: pour with w in j closed\nb: heat at 60 °C",
		"XXXX!",
		"w: water-tap 100 mL\nj: jam-jar\n---\na: pour with w in j\nb: heat at 60 °C",
	},
	{
		"gas-rigid-closed",
		"any",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour with v s in j\nb: seal",
		"XXXX!",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\nk: mug\n---\na: pour with v s in k\nb: put " +
			"in j\nc: seal",
	},
	{
		"gas-rigid-closed",
		"any",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\nk: mug\n---\na: put with v in k\nb: put with s in " +
			"j\nc: pour with k in j closed",
		"XXXX!",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\nk: mug\n---\na: put with v in k\nb: put with s in " +
			"j\nc: empty in k\nd: pour with k in j closed",
	},
	{
		"gas-rigid-closed",
		"any",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour with v in j closed\nb: put with " +
			"s in j closed",
		"XXXX!",
		"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour with v in j closed\nb: put with s in j",
	},
	{
		"gas-rigid-closed",
		"any",
		"e: drink-energy 50 mL\nj: jam-jar\n---\na: pour with e in j closed",
		"XXXX!",
		"e: juice-apple 50 mL\nj: jam-jar\n---\na: pour with e in j closed",
	},
	{
		"microwave",
		"sealed",
		"w: water-tap 100 mL\nj: jam-jar\n---\na: pour with w in j closed\nb: microwave in j",
		"XXXX!",
		"w: water-tap 100 mL\nj: mug\n---\na: pour with w in j\nb: microwave in j",
	},
	{
		"mix-peroxide-acid",
		"any",
		"p: peroxide-3 10 mL\nv: vinegar-white 10 mL\nj: mug\nk: mug\n---\na: put with p in j\nb: put with v in " +
			"k\nc: pour with j k",
		"XXXX!",
		"p: peroxide-3 10 mL\nv: vinegar-white 10 mL\nj: mug\nk: mug\n---\na: put with p in j\nb: put with v in k",
	},
	{
		"peroxide-mild",
		"much",
		"p: peroxide-3 40 mL\nq: peroxide-3 40 mL\n---\na: pour with p\nb: pour with q",
		"XXXX",
		"p: peroxide-3 20 mL\nq: peroxide-3 20 mL\n---\na: pour with p\nb: pour with q",
	},
	{
		"fire-makers",
		"metal",
		"m: magnesium-strip\n---\na: light with m\nb: put-out",
		"XXXX!",
		"m: spoon-steel\n---\na: light with m\nb: put-out",
	},
	{
		"fire-makers",
		"metal",
		"m: nail-galvanised\n---\na: heat with m at 50 °C",
		"XXXX!",
		"m: nail-steel\n---\na: heat with m at 50 °C",
	},
	{
		"fire-makers",
		"fuel",
		"m: charcoal-plain\n---\na: light with m\nb: put-out",
		"XXXX!",
		"m: candle\n---\na: light with m\nb: put-out",
	},
	{
		"smoke",
		"",
		"c: candle\nj: jam-jar\n---\na: light with c\nb: drop with c in j\nd: put-out",
		"DDDD",
		"c: candle\nj: jam-jar\n---\nb: put with c in j\na: light with c in j\nd: put-out",
	},
	{
		"flame-flammable",
		"oxygen",
		"p: peroxide-3 10 mL\ny: yeast-dry-active\nj: mug\n---\na: put with p y in j\nb: light",
		"XXXX!",
		"p: water-tap 10 mL\ny: yeast-dry-active\nj: mug\n---\na: put with p y in j\nb: light",
	},
	{
		"flame-dust",
		"any",
		"p: cornflour\nc: candle\n---\na: stir with p\nb: light with c",
		"XXXX!",
		"p: table-salt\nc: candle\n---\na: stir with p\nb: light with c",
	},
	{
		"acid-metal",
		"open",
		"v: vinegar-white\nn: nail-galvanised\nj: mug\n---\na: put with v n in j",
		"NNNN",
		"v: vinegar-white\nn: nail-steel\nj: mug\n---\na: put with v n in j",
	},
	{
		"acid-metal",
		"closed",
		"v: vinegar-white\nn: nail-galvanised\nj: jam-jar\n---\na: put with v n in j closed",
		"XXXX!",
		"v: vinegar-white\nn: nail-galvanised\nj: jam-jar\n---\na: put with v n in j",
	},
	{
		"acid-metal",
		"aluminium",
		"w: washing-soda-crystals\nf: foil-standard\nj: mug\n---\na: put with w f in j",
		"XXXX!",
		"w: table-salt\nf: foil-standard\nj: mug\n---\na: put with w f in j",
	},
	{"metal-battery", "", "---\na: short-battery", "XXXX!", "b: battery-aa\n---\na: put with b"},
	{
		"peroxide-catalyst",
		"open",
		"p: peroxide-3 20 mL\ny: yeast-dry-active\nj: mug\n---\na: pour with p y in j",
		"DNNN",
		"p: peroxide-3 20 mL\ny: table-salt\nj: mug\n---\na: pour with p y in j",
	},
	{
		"peroxide-catalyst",
		"closed",
		"p: peroxide-3 20 mL\ny: yeast-dry-active\nb: zip-bag-small 1 L\n---\na: pour with p y in b closed",
		"XXXX!",
		"p: peroxide-3 20 mL\ny: yeast-dry-active\nb: zip-bag-small 1 L\n---\na: pour with p y in b",
	},
	{
		"electrolysis",
		"mild",
		"e: epsom-salt\nb: battery-aa\n---\na: electrolyse with e b volts 4.5 V",
		"XDNN",
		"e: epsom-salt\nb: battery-aa\n---\na: dissolve with e",
	},
	{
		"electrolysis",
		"bad",
		"e: epsom-salt\nb: battery-aa\n---\na: electrolyse with e b volts 4.6 V",
		"XXXX!",
		"e: epsom-salt\nb: battery-aa\n---\na: electrolyse with e b volts 4.5 V",
	},
	{
		"electrolysis",
		"bad",
		"e: table-salt\nb: battery-aa\n---\na: electrolyse with e b volts 3 V",
		"XXXX!",
		"e: washing-soda-crystals\nb: battery-aa\n---\na: electrolyse with e b volts 3 V",
	},
	{"stored-fizz", "any", "---\na: store-closed", "XXXX!", "---\na: stand"},
	{"fire-makers", "", "---\na: match-heads", "XXXX!", "---\na: stir"},
	{
		"gas-rigid-closed",
		"any",
		"v: vinegar-white 5 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour with v s in j closed",
		"XXXX!",
		"v: vinegar-white 5 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour with v s in j",
	},
	{
		"gas-rigid-closed",
		"any",
		"v: yeast-dry-active\ns: sugar-granulated 1 g\nj: pet-bottle-small\n---\na: pour with v s in j closed",
		"XXXX!",
		"v: table-salt\ns: sugar-granulated 1 g\nj: pet-bottle-small\n---\na: pour with v s in j closed",
	},
	{"gas-rigid-closed", "ice", "---\na: close-dry-ice", "XXXX!", "---\na: salt-ice"},
	// 2.00 g of soda give 0.583 L at 25 °C; with 100 mL of vinegar the bag of 0.719 L is just 95 % full.
	{
		"foam-over",
		"over",
		"p: peroxide-3 40 mL\ny: yeast-dry-active 3 g\nb: mug 300 mL\n---\na: pour with p y in b",
		"NCCC",
		"p: peroxide-3 20 mL\ny: yeast-dry-active 3 g\nb: mug 300 mL\n---\na: pour with p y in b",
	},
	{
		"foam-over",
		"over",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 5 g weighed\nd: dish-soap 5 mL\nb: mug 300 mL\n---\na: pour " +
			"with v s d in b",
		"NCCC",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 5 g weighed\nb: mug 300 mL\n---\na: pour with v s in b",
	},
	{
		"foam-over",
		"unknown",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda\nd: dish-soap 5 mL\nb: mug 300 mL\n---\na: pour with v s d in b",
		"NCCC",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 0.2 g weighed\nd: dish-soap 5 mL\nb: mug 300 mL\n---\na: pour " +
			"with v s d in b",
	},
	{
		"gas-flexible",
		"fits",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.72 L\n---\na: keep-apart, pour " +
			"with v s in b closed",
		"NNCC",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.715 L\n---\na: keep-apart, " +
			"pour with v s in b closed",
	},
	{
		"gas-flexible",
		"tight",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.715 L\n---\na: keep-apart, pour with v s in b closed",
		"DNNN",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.64 L\n---\na: keep-apart, pour " +
			"with v s in b closed",
	},
	{
		"gas-flexible",
		"over",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.64 L\n---\na: keep-apart, pour with v s in b closed",
		"XXXX",
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 0.72 L\n---\na: keep-apart, pour with v s in b closed",
	},
	{
		"gas-flexible",
		"unknown",
		"v: vinegar-white 5 %\ns: baking-soda 2 g\nb: zip-bag-large 1 L\n---\na: pour with v s in b closed",
		"XXXX",
		"v: vinegar-white 5 % 50 mL\ns: baking-soda 1 g weighed\nb: zip-bag-large 1 L\n---\na: pour with v " +
			"s in b closed",
	},
	{"launcher", "", "---\na: launch", "DDDN", "---\na: drop"},
	{
		"launcher",
		"",
		"v: vinegar-white 5 mL\ns: baking-soda 1 g\nc: canister-plug\n---\na: pour with v s in c closed",
		"DDDN",
		"v: vinegar-white 5 mL\ns: baking-soda 1 g\nc: canister-plug\n---\na: pour with v s in c",
	},
	{"projectile", "", "---\na: drop", "CCCC", "---\na: stir"},
	{"projectile", "hard", "---\na: throw", "DNNN", "---\na: drop"},
	{"heat", "hot-tool", "---\na: hot-tool", "DDDN", "---\na: glue-gun-low"},
	{"heat", "glue-gun-low", "---\na: glue-gun-low", "DDNC", "---\na: stir"},
	{"heat", "boils", "k: kettle-electric\n---\na: put with k", "DDNC", "k: mug\n---\na: put with k"},
	{"light", "focuses", "m: lens-magnifier\n---\na: put with m", "NNNC", "m: mirror-hand\n---\na: put with m"},
	{"light", "strobe", "---\na: strobe", "XXXX!", "---\na: shadow"},
	{"light", "uv", "---\na: uv", "DDNC", "---\na: shadow"},
	{"light", "uv-germ", "---\na: uv-germ", "XXXX!", "---\na: uv"},
	{"light", "eye-light", "---\na: eye-light", "XXXX!", "---\na: shadow"},
	{
		"irritant",
		"smell",
		"c: cinnamon-ground\n---\na: smell with c",
		"CCCC",
		"c: cinnamon-ground\n---\na: stir with c",
	},
	{
		"irritant",
		"smell-unsaid",
		"c: isopropyl-70 5 mL\n---\na: smell with c",
		"XXXX!",
		"c: cinnamon-ground\n---\na: smell with c",
	},
	{"irritant", "smell-unsaid", "---\na: smell", "XXXX!", "c: cinnamon-ground\n---\na: smell with c"},
	{"irritant", "super-glue", "---\na: super-glue", "XXDN", "---\na: stir"},
	{"mouth", "on-skin", "w: water-tap\n---\na: on-skin with w", "CCCC", "w: water-tap\n---\na: stir with w"},
	{"mouth", "on-skin-unsaid", "---\na: on-skin", "XXXX", "w: water-tap\n---\na: on-skin with w"},
	{
		"mouth",
		"on-skin-never",
		"v: vinegar-white\n---\na: on-skin with v",
		"XXXX!",
		"w: dish-soap\n---\na: on-skin with w",
	},
	{"blade", "power-tool", "---\na: power-tool", "DDDD", "---\na: stir"},
	{"glass", "break-glass", "---\na: break-glass", "XXXX!", "---\na: tap-glass"},
	{"projectile", "heavy", "---\na: heavy", "DNNC", "---\na: drop"},
	{"height", "outdoors", "---\na: outdoors", "NCCC", "---\na: from-floor"},
	{"height", "outdoors-away", "---\na: outdoors-away", "NNNC", "---\na: outdoors"},
	{"height", "outdoors-edge", "---\na: outdoors-edge", "DNNN", "---\na: outdoors-away"},
	{"height", "outdoors-storm", "---\na: outdoors-storm", "XXXX!", "---\na: outdoors-edge"},
	{"height", "road-window", "---\na: road-window", "CCCC", "---\na: draw"},
	{"height", "road", "---\na: road", "DDNN", "---\na: road-window"},
	{"body", "eyes-closed", "---\na: eyes-closed", "NNCC", "---\na: draw"},
	{"body", "eyes-closed-walking", "---\na: walk-blind", "XXXX", "---\na: eyes-closed"},
	{"body", "fasting", "---\na: fasting", "XXXX!", "---\na: draw"},
	{"privacy", "home-inside", "---\na: home-inside", "XXXX", "---\na: draw"},
	{"privacy", "body-data", "---\na: body-data", "XXXX", "---\na: weigh"},
	{"flame", "unattended", "---\na: unattended", "XXXX", "---\na: put-out"},
	{"flame", "", "---\na: light", "DDDN", "---\na: stir"},
	{"smoke", "", "---\na: smoke", "DDDD", "---\na: stir"},
	{"heat", "45", "---\na: warm-water at 45 °C", "NCCC", "---\na: warm-water at 46 °C"},
	{"heat", "60", "---\na: hot-water at 60 °C", "DNNC", "---\na: hot-water at 61 °C"},
	{"heat", "above", "---\na: heat at 61 °C", "DDNC", "---\na: heat at 60 °C"},
	{"heat", "above", "---\na: hot-water", "DDNC", "---\na: hot-water at 50 °C"},
	{"heat", "fat", "---\na: hot-oil", "DDDN", "---\na: pour"},
	{"heat", "deep", "---\na: deep-fry", "XXXX!", "---\na: hot-oil"},
	{"microwave", "", "---\na: microwave", "DDNC", "---\na: stir"},
	{"microwave", "sealed", "---\na: microwave-sealed", "XXXX!", "---\na: microwave"},
	{"blade", "table", "---\na: table-knife", "NCCC", "---\na: stir"},
	{"blade", "kitchen", "---\na: knife", "DDNC", "---\na: table-knife"},
	{"blade", "craft", "---\na: craft-knife", "DDDN", "---\na: knife"},
	{"scissors-pin", "round", "---\na: round-scissors", "CCCC", "---\na: fold"},
	{"scissors-pin", "pointed", "---\na: scissors", "NCCC", "---\na: round-scissors"},
	{"scissors-pin", "pierce", "---\na: pierce", "DDNC", "---\na: scissors"},
	{"glass", "handled", "g: jam-jar\n---\na: carry with g", "NCCC", "g: plastic-cup\n---\na: carry with g"},
	{"sharp-edge", "", "c: can-empty\n---\na: put with c", "CCCC", "c: tube-toilet\n---\na: put with c"},
	{"sharp-edge", "", "c: can-empty\n---\na: put with c", "CCCC", "c: jam-jar\n---\na: put with c"}, // glass says more
	{"pressure", "", "c: pet-bottle-small\n---\na: put with c", "CCCC", "c: mug\n---\na: put with c"},
	{"hot-thing", "", "c: battery-9v\n---\na: put with c", "CCCC", "c: battery-aa\n---\na: put with c"},
	{"small-part", "", "c: coin-uk-1p\n---\na: put with c", "CCCC", "c: book\n---\na: put with c"},
	{"small-part", "loose", "---\na: small-things", "NCCC", "---\na: put"},
	{"cells-magnets", "", "c: cell-button\n---\na: put with c", "XXXN", "c: battery-d\n---\na: put with c"},
	{
		"cells-magnets",
		"inside",
		"c: scale-pocket-01\n---\na: weigh with c",
		"CCCC",
		"c: scale-kitchen\n---\na: weigh with c",
	},
	{"mains", "", "---\na: charging-phone", "XXXX!", "---\na: electronics-near"},
	{"height", "floor", "---\na: from-floor", "CCCC", "---\na: put"},
	{"height", "low-step", "---\na: low-step", "NNNC", "---\na: from-floor"},
	{"height", "chair", "---\na: climb", "DDNC", "---\na: from-floor"},
	{"height", "high", "---\na: climb-high", "XXXX!", "---\na: climb"},
	{"cord", "", "---\na: hang-cord", "NCCC", "---\na: put"},
	{"cord", "short", "t: thread-sewing\n---\na: put with t", "CCCC", "t: ruler-30\n---\na: put with t"},
	{"light", "", "---\na: shadow", "CCCC", "---\na: put"},
	{"light", "pinhole", "---\na: pinhole-sun", "NNCC", "---\na: shadow"},
	{"light", "sun", "---\na: look-at-sun", "XXXX!", "---\na: pinhole-sun"},
	{"deep-water", "", "---\na: deep-water", "NNCC", "---\na: pour"},
	{"balloon-bag", "blow", "---\na: inflate", "DCCC", "---\na: pour"},
	{"balloon-bag", "bag", "b: zip-bag-small\n---\na: put with b", "CCCC", "b: mug\n---\na: put with b"},
	{"balloon-bag", "face", "---\na: bag-over-face", "XXXX!", "---\na: inflate"},
	{"mouth", "", "---\na: blow-straw", "CCCC", "---\na: pour"},
	{"mouth", "suck", "---\na: suck", "XXXX!", "---\na: blow-straw"},
	{"standing", "", "---\na: stand", "CCCC", "---\na: pour"},
	{"standing", "pet", "r: raisins\n---\na: soak with r", "CCCC", "r: lentil-whole\n---\na: soak with r"},
	{"overhead", "", "---\na: overhead", "CCCC", "---\na: pour"},
	{"electronics-near", "", "---\na: electronics-near", "CCCC", "---\na: pour"},
	{"loud", "", "---\na: loud", "CCCC", "---\na: pour"},
	{"slip", "", "---\na: pour", "CCCC", "---\na: weigh"},
	{"coin-metal", "", "---\na: sand-coin", "CCCC", "---\na: weigh"},
	{"very-cold", "", "---\na: salt-ice", "CCCC", "---\na: weigh"},
	{
		"very-cold",
		"mixed",
		"i: plain-ice\ns: table-salt\nb: bowl\n---\na: put with i in b\nc: put with s in b",
		"CCCC",
		"i: plain-ice\ns: sugar-granulated\nb: bowl\n---\na: put with i in b\nc: put with s in b",
	},
	{"very-cold", "colder", "---\na: freezer-spray", "XXXX!", "---\na: salt-ice"},
	{"taste", "food", "o: orange-juice\n---\na: taste with o", "CCCC", "o: orange-juice\n---\na: pour with o"},
	{
		"taste",
		"mixed",
		"o: orange-juice\nb: baking-soda\n---\na: taste with o",
		"XXXX",
		"o: orange-juice\nb: sugar-granulated\n---\na: taste with o",
	},
	{"allergen", "named", "c: celery\n---\na: put with c", "CCCC", "c: carrot\n---\na: put with c"},
	{"animal", "watch", "---\na: watch-animal", "CCCC", "---\na: put"},
	{"animal", "handle", "w: woodlouse\n---\na: put with w", "NCCC", "w: cress-seed\n---\na: put with w"},
	{"animal", "vertebrate", "---\na: touch-vertebrate", "XXXX!", "---\na: watch-animal"},
	{"microbe", "culture", "---\na: culture", "XXXX!", "---\na: grow-mould"},
	{"microbe", "mould", "---\na: grow-mould", "NCCC", "---\na: put"},
	{"microbe", "germs", "e: egg-white\n---\na: put with e", "CCCC", "e: gelatine\n---\na: put with e"},
	{"plants-soil", "soil", "s: potting-soil\n---\na: put with s", "CCCC", "s: cotton-wool\n---\na: put with s"},
	{"plants-soil", "unknown-plant", "---\na: unknown-plant", "XXXX", "---\na: soil"},
	{"body", "", "---\na: exercise", "CCCC", "---\na: put"},
	{"body", "breath", "---\na: hold-breath", "XXXX!", "---\na: exercise"},
	{"privacy", "photo", "---\na: put photo", "CCCC", "---\na: put"},
}

func finding(found []safety.Hazard, rule, name string) (safety.Hazard, bool) {
	i := slices.IndexFunc(
		found,
		func(f safety.Hazard) bool { return f.Rule == rule && (name == f.Case || name == "") },
	)
	if i < 0 {
		return safety.Hazard{}, false
	}
	return found[i], true
}

func TestEveryRule(t *testing.T) {
	seen := map[string]bool{"everyday": true, "own": true, "people-home": true} // the last two have tests of their own
	for _, c := range everyRule {
		seen[c.rule] = true
		d := plan(c.triggers)
		absolute := strings.HasSuffix(c.verdicts, "!")
		for i, band := range design.AgeBands {
			d.AgeBand = band
			got, ok := finding(safety.Check(d), c.rule, c.name)
			if !ok || got.Verdict != letters[c.verdicts[i]] || got.Absolute != absolute {
				t.Errorf(
					"%s %s at %s: %v %s (absolute %v); want %s\n%s",
					c.rule,
					c.name,
					band,
					ok,
					got.Verdict,
					got.Absolute,
					c.verdicts,
					c.triggers,
				)
				break
			}
			for _, lang := range text.Languages {
				if s := text.Render(got.Why, lang) + text.Render(got.Do, lang); strings.ContainsAny(s, "[{") {
					t.Errorf("%s %s lacks words in %s: %s", c.rule, c.name, lang, s)
				}
			}
		}
		d = plan(c.not)
		if got, ok := finding(safety.Check(d), c.rule, c.name); ok && (c.name != "" || got.Case == "") {
			t.Errorf("%s %s is found where it should not be: %+v\n%s", c.rule, c.name, got, c.not)
		}
	}
	for _, id := range safety.RuleIDs() {
		if !seen[id] {
			t.Errorf("the rule %s has no test", id)
		}
	}
}

// Every hazard tag, and every refused thing, resolves to a rule that is at
// least as strict as the larder says.
func TestTheLarderIsNeverStricter(t *testing.T) {
	l := larder.Standard()
	floor := map[string]safety.Verdict{
		"adult-near":  safety.AdultNear,
		"adult-does":  safety.AdultDoes,
		"not-at-home": safety.NotAtHome,
		"corrosive":   safety.NotAtHome,
		"mains":       safety.Care,
	}
	for i := range l.Materials {
		m := &l.Materials[i]
		for _, band := range design.AgeBands {
			d := plan("x: " + m.ID + " 1 mL\n---\na: put with x")
			d.AgeBand = band
			found := safety.Check(d)
			worst := safety.Worst(found)
			for _, tag := range m.Hazards {
				if v, ok := floor[tag]; ok && v.Worse(worst) {
					t.Errorf("%s (%s) at %s is only %s", m.ID, tag, band, worst)
				}
			}
			if m.Refused && worst != safety.NotAtHome {
				t.Errorf("%s is refused, and at %s only %s", m.ID, band, worst)
			}
			if len(m.Hazards) > 0 && len(found) == 0 {
				t.Errorf("%s has hazards %v and no finding", m.ID, m.Hazards)
			}
		}
	}
	for _, tag := range append(slices.Clone(larder.Tags), "allergen:milk") {
		own, problems := l.With(
			larder.Own{
				Materials: []larder.Material{
					{ID: "thing-x", Name: text.Localized{"en": "thing x"}, Hazards: []string{tag}},
				},
			},
		)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		r := safety.Judge(plan("x: thing-x\n---\na: put with x"), own, nil)
		if !slices.ContainsFunc(r.Findings, func(f safety.Hazard) bool { return f.Rule != "own" }) {
			t.Errorf("the tag %s resolves to no rule: %+v", tag, r.Findings)
		}
	}
}

// A swap to something stronger or more hazardous says so or is refused.
func TestNoSwapIsSilentlyWorse(t *testing.T) {
	l := larder.Standard()
	for i := range l.Rules {
		r := &l.Rules[i]
		if r.Class == larder.Unsuitable {
			continue
		}
		for _, a := range r.From.Materials {
			for _, b := range r.To.Materials {
				from := worstOf(a, r.From.Percent)
				to := worstOf(b, r.To.Percent)
				if to.Worse(from) && r.Safety == "" {
					t.Errorf("%s: %s is %s, %s is %s, and nothing is said", r.ID, a, from, b, to)
				}
				if to == safety.NotAtHome && from != safety.NotAtHome {
					t.Errorf("%s: leads from %s to %s, which is not for homes", r.ID, a, b)
				}
			}
		}
	}
}

func worstOf(material string, percent float64) safety.Verdict {
	d := plan("x: " + material + " 1 mL\n---\na: put with x")
	if percent > 0 {
		d.Needs[0].Strength = &design.Strength{Value: percent, Basis: "w/v"}
	}
	return safety.Worst(safety.Check(d))
}

func calm() kitchen.People {
	return kitchen.People{
		Adult:    yes(),
		Under4:   no(),
		Under6:   no(),
		Pet:      no(),
		Asthma:   no(),
		Goggles:  yes(),
		Answered: true,
		Covered:  true,
	}
}

// What a fact of the home raises, and what an answer that is missing does.
func TestAHome(t *testing.T) {
	for _, c := range []struct {
		rule, name, plan string
		raise            func(*kitchen.People)
		want             safety.Verdict
	}{
		{"small-part", "little", "c: coin-uk-1p\n---\na: put with c", func(p *kitchen.People) { p.Under4 = yes() },
			safety.AdultNear},
		{"small-part", "little", "c: coin-uk-1p\n---\na: put with c", func(p *kitchen.People) { p.Under4 = nil },
			safety.AdultNear},
		{"cells-magnets", "little", "age: 14-18\n---\na: put", func(p *kitchen.People) { p.Under6 = yes() }, ""},
		{"deep-water", "little", "---\na: deep-water", func(p *kitchen.People) { p.Under4 = yes() }, safety.AdultNear},
		{"standing", "within-reach", "---\na: stand", func(p *kitchen.People) { p.Under4, p.Covered = yes(), false },
			safety.NotAtHome},
		{"standing", "within-reach", "---\na: stand", func(p *kitchen.People) { p.Pet, p.Covered = yes(), false },
			safety.NotAtHome},
		{"microbe", "weak", "---\na: smoke", func(p *kitchen.People) { p.Asthma = yes() }, safety.NotAtHome},
		{"microbe", "weak", "---\na: grow-mould", func(p *kitchen.People) { p.Asthma = nil }, safety.NotAtHome},
		{"allergen", "home", "m: milk-whole\n---\na: pour with m",
			func(p *kitchen.People) { p.Allergens = []string{"milk"} }, safety.NotAtHome},
		{"allergen", "home", "m: oil-vegetable\n---\na: pour with m",
			func(p *kitchen.People) { p.Allergens = []string{"soy"} }, safety.NotAtHome},
		{"allergen", "home", "m: milk-whole\n---\na: pour with m", func(p *kitchen.People) { p.Answered = false },
			safety.NotAtHome},
		{"people-home", "no-adult", "---\na: hot-water at 50 °C", func(p *kitchen.People) { p.Adult = no() },
			safety.NotAtHome},
		{"people-home", "no-goggles", "p: peroxide-3 10 mL\n---\na: pour with p",
			func(p *kitchen.People) { p.Goggles = nil }, safety.NotAtHome},
	} {
		d := plan(c.plan)
		people := calm()
		if f, ok := finding(safety.Judge(d, larder.Standard(), &people).Findings, c.rule, c.name); ok {
			t.Errorf("%s %s holds in a calm home: %+v", c.rule, c.name, f)
		}
		c.raise(&people)
		f, ok := finding(safety.Judge(d, larder.Standard(), &people).Findings, c.rule, c.name)
		if ok != (c.want != "") || f.Verdict != c.want || ok && !f.FromHome {
			t.Errorf("%s %s: %v %+v", c.rule, c.name, ok, f)
		}
	}
}

func yes() *bool { b := true; return &b }
func no() *bool  { b := false; return &b }
