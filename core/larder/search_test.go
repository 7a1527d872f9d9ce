package larder_test

import (
	"bytes"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

func TestFind(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct{ typed, first, asks string }{
		{"white vinegar", "vinegar-white", ""},
		{"Vinagre BLANCO", "vinegar-white", ""},
		{"zumo de limon", "lemon-juice-fresh", ""},
		{"bicarb", "baking-soda", "match"},
		{"soda", "", "ask"},
		{"levadura", "", "ask"},
		{"chalk", "chalk-stick", "ask"},
		{"white spirit", "", "refuse"},
		{"lejía", "bleach", ""},
		{"cloro", "bleach", "refuse"},
		{"aspirina", "", ""},
		{"", "", ""},
		{"   ", "", ""},
	} {
		f := l.Find(c.typed, "en")
		if c.first != "" && (len(f.Hits) == 0 || f.Hits[0].Material.ID != c.first) {
			t.Errorf("%q finds %v", c.typed, f.Hits)
		}
		if (c.asks != "") != (len(f.Asks) > 0) || c.asks != "" && f.Asks[0].Rule != c.asks {
			t.Errorf("%q asks %v, not %q", c.typed, f.Asks, c.asks)
		}
	}
	if f := l.Find("bakking soda", "en"); len(f.Nearest) == 0 || f.Nearest[0].Material.ID != "baking-soda" {
		t.Errorf("a slip of the pen is not forgiven: %+v", f)
	}
}

// What people type, and the thing that has to stand first; where two serve,
// either.
func TestTheFirstHit(t *testing.T) {
	l := larder.Standard()
	for _, q := range []struct{ typed, lang, first string }{
		{"leaves", "en", "leaf-fresh"},
		{"leaf", "en", "leaf-fresh"},
		{"hojas", "es", "leaf-fresh"},
		{"hoja", "es", "leaf-fresh"},
		{"salt", "en", "table-salt"},
		{"sal", "es", "table-salt"},
		{"sugar", "en", "sugar-granulated"},
		{"azucar", "es", "sugar-granulated"},
		{"straws", "en", "drinking-straw"},
		{"popotes", "es", "drinking-straw"},
		{"pajita", "es", "drinking-straw"},
		{"sorbete", "es", "drinking-straw"},
		{"string", "en", "string-cotton"},
		{"thread", "en", "thread-sewing"},
		{"hilo", "es", "thread-sewing"},
		{"needle", "en", "needle-sewing"},
		{"aguja", "es", "needle-sewing"},
		{"pins", "en", "pin-sewing"},
		{"alfileres", "es", "pin-sewing"},
		{"nails", "en", "nail-steel"},
		{"clavos", "es", "nail-steel"},
		{"screw", "en", "screw-wood-zinc"},
		{"tornillo", "es", "screw-wood-zinc"},
		{"washers", "en", "washer-m8"},
		{"magnet", "en", "magnet-fridge"},
		{"magnets", "en", "magnet-fridge"},
		{"iman", "es", "magnet-fridge"},
		{"imanes", "es", "magnet-fridge"},
		{"coin", "en", "coin-medium"},
		{"moneda", "es", "coin-medium"},
		{"marbles", "en", "marble-16"},
		{"marbel", "en", "marble-16"},
		{"canicas", "es", "marble-16"},
		{"book", "en", "book"},
		{"libro", "es", "book"},
		{"tray", "en", "baking-tray"},
		{"bandeja", "es", "baking-tray"},
		{"charola", "es", "tray-serving"},
		{"cutting board", "en", "board-chopping-wood"},
		{"tabla de picar", "es", "board-chopping-wood"},
		{"freezer bag", "en", "zip-bag-freezer-1l"},
		{"sandwich bag", "en", "zip-bag-small"},
		{"bolsa hermetica", "es", "zip-bag-small"},
		{"trash bag", "en", "bag-bin-small"},
		{"bolsa de basura", "es", "bag-bin-small"},
		{"clothespin", "en", "clothes-peg-wood"},
		{"peg", "en", "clothes-peg-wood"},
		{"pinza de ropa", "es", "clothes-peg-wood"},
		{"broche de ropa", "es", "clothes-peg-wood"},
		{"mirror", "en", "mirror-hand"},
		{"espejo", "es", "mirror-hand"},
		{"jar", "en", "jam-jar"},
		{"jam jars", "en", "jam-jar"},
		{"frasco", "es", "jam-jar"},
		{"bottle", "en", "pet-bottle-small"},
		{"botella", "es", "pet-bottle-small"},
		{"bowl", "en", "bowl"},
		{"measuring jug", "en", "jug-measuring-half"},
		{"jarra medidora", "es", "jug-measuring-half"},
		{"thermometer", "en", "thermometer-probe"},
		{"termometro", "es", "thermometer-probe"},
		{"termometor", "es", "thermometer-probe"},
		{"ruler", "en", "ruler-30"},
		{"regla", "es", "ruler-30"},
		{"timer", "en", "timer-kitchen"},
		{"sponge", "en", "sponge"},
		{"esponja", "es", "sponge"},
		{"towel", "en", "towel-hand"},
		{"toalla", "es", "towel-hand"},
		{"gloves", "en", "glove-nitrile"},
		{"guantes", "es", "glove-nitrile"},
		{"goggles", "en", "goggles"},
		{"gogles", "en", "goggles"},
		{"stones", "en", "pebble"},
		{"piedras", "es", "pebble"},
		{"beans", "en", "kidney-bean-dry"},
		{"frijoles", "es", "kidney-bean-dry"},
		{"porotos", "es", "kidney-bean-dry"},
		{"bread", "en", "bread-white"},
		{"pan", "es", "bread-white"},
		{"egg", "en", "egg-raw"},
		{"eggs", "en", "egg-raw"},
		{"huevos", "es", "egg-raw"},
		{"milk", "en", "milk-whole"},
		{"leche", "es", "milk-whole"},
		{"flour", "en", "wheat-flour"},
		{"harina", "es", "wheat-flour"},
		{"vinegar", "en", "vinegar-white"},
		{"vinagre", "es", "vinegar-white"},
		{"balloons", "en", "balloon-latex"},
		{"ballon", "en", "balloon-latex"},
		{"globos", "es", "balloon-latex"},
		{"bubbles", "en", "bubble-mix"},
		{"burbujas", "es", "bubble-mix"},
		{"sock", "en", "sock-cotton"},
		{"calcetin", "es", "sock-cotton"},
		{"calsetin", "es", "sock-cotton"},
		{"sieve", "en", "sieve-kitchen"},
		{"colador", "es", "sieve-kitchen"},
		{"kitchen scales", "en", "scale-kitchen"},
		{"bascula", "es", "scale-kitchen"},
		{"cardboard", "en", "cardboard-corrugated"},
		{"carton", "es", "cardboard-corrugated"},
		{"toothpicks", "en", "toothpick"},
		{"palillos", "es", "toothpick"},
		{"sissors", "en", "scissors-round"},
		{"tijera", "es", "scissors-round"},
		{"tijeras", "es", "scissors-round"},
		{"tijeras de punta redonda", "es", "scissors-round"},
		{"drain crystals", "en", "drain-cleaner"},
		{"lye", "en", "drain-cleaner"},
		{"sosa", "es", "drain-cleaner"},
		{"lejia", "es", "bleach"},
		{"paper towel", "en", "kitchen-roll"},
		{"toy car", "en", "toy-car"},
		{"cars", "en", "toy-car"},
		{"carrito", "es", "toy-car"},
		{"flashlight", "en", "torch-led"},
		{"linterna", "es", "torch-led"},
		{"spoons", "en", "spoon-table-steel"},
		{"cucharas", "es", "spoon-table-steel"},
		{"knifes", "en", "knife-table"},
		{"knives", "en", "knife-table"},
		{"cuchillo", "es", "knife-table"},
		{"plate", "en", "plate-dinner"},
		{"plates", "en", "plate-dinner"},
		{"plato", "es", "plate-dinner"},
		{"soil", "en", "potting-soil"},
		{"tierra", "es", "potting-soil"},
		{"twigs", "en", "twig"},
		{"button", "en", "button"},
		{"boton", "es", "button"},
		{"botones", "es", "button"},
		{"rice", "en", "rice-grain"},
		{"arroz", "es", "rice-grain"},
		{"pencil", "en", "pencil-graphite"},
		{"lapiz", "es", "pencil-graphite"},
		{"lapices", "es", "pencil-graphite"},
		{"markers", "en", "felt-pen-washable"},
		{"plumones", "es", "felt-pen-washable"},
		{"olla", "es", "saucepan"},
		{"measuring cups", "en", "cup-dry-set"},
		{"fosforos", "es", "match"},
		{"cerrillos", "es", "match"},
		{"paper straw", "en", "straw-paper"},
		{"drawing pin", "en", "drawing-pin"},
		{"thumbtack", "en", "drawing-pin"},
		{"chinche", "es", "drawing-pin"},
		{"key", "en", "key"},
		{"keys", "en", "key"},
		{"llaves", "es", "key"},
		{"tennis ball", "en", "ball-tennis"},
		{"paperback", "en", "book-paperback"},
		{"cookie sheet", "en", "baking-sheet"},
		{"baking sheet", "en", "baking-sheet"},
		{"choping board", "en", "board-chopping-plastic board-chopping-wood"},
		{"gallon bag", "en", "zip-bag-freezer-3l"},
		{"bin bag", "en", "bag-bin-large"},
		{"cling film", "en", "cling-film"},
		{"plastic wrap", "en", "cling-film"},
		{"papel film", "es", "cling-film"},
		{"foil", "en", "foil-standard"},
		{"papel aluminio", "es", "foil-standard"},
		{"parchment", "en", "baking-parchment"},
		{"toilet paper", "en", "paper-toilet"},
		{"papel de baño", "es", "paper-toilet"},
		{"papel higienico", "es", "paper-toilet"},
		{"toilet roll tube", "en", "tube-toilet"},
		{"shoebox", "en", "box-shoe"},
		{"shoe box", "en", "box-shoe"},
		{"caja de zapatos", "es", "box-shoe"},
		{"lolly stick", "en", "lolly-stick"},
		{"ice pop sticks", "en", "lolly-stick"},
		{"palitos de helado", "es", "lolly-stick"},
		{"paper clips", "en", "paper-clip"},
		{"clips", "es", "paper-clip"},
		{"rubber bands", "en", "rubber-band"},
		{"ligas", "es", "rubber-band"},
		{"magnifying glass", "en", "lens-magnifier"},
		{"lupa", "es", "lens-magnifier"},
		{"mug", "en", "mug"},
		{"bucket", "en", "bucket"},
		{"balde", "es", "bucket"},
		{"cubeta", "es", "bucket"},
		{"colander", "en", "colander"},
		{"funnel", "en", "funnel"},
		{"embudo", "es", "funnel"},
		{"whisk", "en", "whisk"},
		{"grater", "en", "grater"},
		{"rallador", "es", "grater"},
		{"ladle", "en", "ladle"},
		{"cucharon", "es", "ladle"},
		{"tape measure", "en", "tape-measure"},
		{"apron", "en", "apron"},
		{"delantal", "es", "apron"},
		{"sand", "en", "sand"},
		{"arena", "es", "sand"},
		{"gravel", "en", "gravel"},
		{"popcorn", "en", "popcorn"},
		{"palomitas", "es", "popcorn"},
		{"kernels", "en", "corn-kernel"},
		{"maiz palomero", "es", "corn-kernel"},
		{"chick peas", "en", "chickpea"},
		{"garbanzos", "es", "chickpea"},
		{"spaghetti", "en", "pasta-spaghetti"},
		{"tomato", "en", "tomato"},
		{"tomatos", "en", "tomato"},
		{"potatoes", "en", "potato"},
		{"papas", "es", "potato"},
		{"patata", "es", "potato"},
		{"play dough", "en", "dough-play"},
		{"servilletas", "es", "paper-napkin"},
		{"glue stick", "en", "glue-stick"},
		{"egg carton", "en", "box-egg"},
		{"huevera", "es", "box-egg"},
		{"milk carton", "en", "box-milk"},
		{"cookie cutter", "en", "cutter-biscuit"},
		{"spider plant", "en", "plant-spider"},
		{"energy drink", "en", "drink-energy"},
		{"bebida energizante", "es", "drink-energy"},
		{"hot water bottle", "en", "bottle-hot-water"},
		{"rolling pin", "en", "rolling-pin"},
		{"rodillo", "es", "rolling-pin"},
		{"tea towel", "en", "towel-tea"},
		{"paño de cocina", "es", "towel-tea"},
		{"pano de cocina", "es", "towel-tea"},
		{"goma eva", "es", "foam-craft"},
		{"vela", "es", "candle"},
		{"sarten", "es", "frying-pan"},
		{"dado", "es", "die-six"},
		{"nieve", "es", "snow"},
		{"choclo", "es", "corn-cob"},
		{"maní", "es", "peanut"},
		{"plastilina", "es", "modelling-clay"},
		{"pañal", "es", "nappy"},
	} {
		f := l.Find(q.typed, q.lang)
		all := slices.Concat(f.Hits, f.Nearest)
		if len(all) == 0 || !slices.Contains(strings.Fields(q.first), all[0].Material.ID) {
			var ids []string
			for _, h := range all[:min(3, len(all))] {
				ids = append(ids, h.Material.ID)
			}
			t.Errorf("%q (%s) finds %v, want %s", q.typed, q.lang, ids, q.first)
		}
	}
}

// Every main name finds its own material, in both languages.
func TestEveryNameIsFound(t *testing.T) {
	l := larder.Standard()
	for i := range l.Materials {
		for _, lang := range text.Languages {
			m := &l.Materials[i]
			f := l.Find(m.Name[lang], lang)
			if !slices.ContainsFunc(f.Hits, func(h larder.Hit) bool { return h.Material.ID == m.ID }) {
				t.Errorf("%q does not find %s", m.Name[lang], m.ID)
			}
		}
	}
}

func TestOwnMaterials(t *testing.T) {
	l := larder.Standard()
	soap := larder.Material{
		ID:      "school-soap",
		Name:    text.Localized{"en": "school soap"},
		Roles:   []string{"surfactant"},
		Hazards: []string{"slip"},
		Cost:    "cheap",
	}
	mine, problems := l.With(
		larder.Own{
			Materials: []larder.Material{
				soap,
				{ID: "bleach", Name: text.Localized{"en": "our bleach"}, Roles: []string{"mild-alkali"}},
			},
		},
	)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	if m, ok := mine.Material("school-soap"); !ok || !m.Own || m.Shelf != "own" {
		t.Errorf("%+v", m)
	}
	// A known thing keeps its hazards and stays refused, whatever the entry says.
	if m, _ := mine.Material("bleach"); !m.Refused || !m.Has("corrosive") || !m.Has("not-at-home") ||
		m.Name["en"] != "our bleach" {
		t.Errorf("%+v", m)
	}
	if m, _ := l.Material("bleach"); m.Own {
		t.Error("the shipped larder was changed")
	}
	for _, bad := range []larder.Material{
		{ID: "Soap", Name: text.Localized{"en": "x"}},
		{ID: "soap-x"},
		{ID: "soap-x", Name: text.Localized{"en": "x"}, Roles: []string{"cleaner"}},
		{ID: "soap-x", Name: text.Localized{"en": "x"}, Hazards: []string{"naughty"}},
		{ID: "soap-x", Name: text.Localized{"en": "x"}, MayHold: []string{"dust"}},
		{ID: "soap-x", Name: text.Localized{"en": "x"}, Cost: "dear"},
		{ID: "soap-x", Name: text.Localized{"en": "x"}, Piece: &larder.Range{Low: 2, Typical: 1, High: 3}},
		{ID: "soap-x", Name: text.Localized{"en": "x"},
			Contains: []larder.Content{{Substance: "gold", Range: larder.Range{Low: 1, Typical: 1, High: 1},
				Basis: "w/w"}}},
		{ID: "soap-x", Name: text.Localized{"en": "x"},
			Contains: []larder.Content{{Substance: "sucrose", Range: larder.Range{Low: 1, Typical: 1, High: 300},
				Basis: "heavy"}}},
		{ID: "soap-x", Name: text.Localized{"en": "x"},
			Figures: []larder.Figure{{Key: "rho", Low: 2, High: 1, Quality: "sure"}}},
	} {
		if same, problems := l.With(larder.Own{Materials: []larder.Material{bad}}); len(problems) == 0 || same != l {
			t.Errorf("%+v passes", bad)
		}
	}
	if _, problems := l.With(larder.Own{Materials: make([]larder.Material, larder.MaxOwn+1)}); len(problems) != 1 {
		t.Error("there is no end to it")
	}
}

// A correction never takes away what a safety rule counts with, and an own
// swap never makes one better than the shipped rules do.
func TestOwnEntriesNeverLoosen(t *testing.T) {
	l := larder.Standard()
	weak := larder.Material{
		ID:   "peroxide-6",
		Name: text.Localized{"en": "our weak peroxide"},
		Contains: []larder.Content{
			{Substance: "hydrogen-peroxide", Range: larder.Range{Low: 1, Typical: 1, High: 1}, Basis: "w/v"},
		},
		Figures: []larder.Figure{{Text: "rho 0.9", Key: "rho", Low: 0.9, High: 0.9, Unit: "g/mL"}},
	}
	swap := larder.SwapRule{
		ID:      "better-lemon",
		Role:    "mild-acid",
		Results: []string{"rate"},
		From:    larder.Side{Text: "white vinegar", Materials: []string{"vinegar-white"}},
		To:      larder.Side{Text: "lemon", Materials: []string{"lemon-juice-fresh"}},
		Basis:   larder.EqualAcid,
		Class:   larder.Pools,
	}
	mine, problems := l.With(larder.Own{Materials: []larder.Material{weak}, Rules: []larder.SwapRule{swap}})
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	m, _ := mine.Material("peroxide-6")
	if m.Contains[0].High != 6 || m.Contains[0].Typical != 1 || !m.Does("oxygen-releaser") || !m.Has("adult-does") ||
		!m.Own {
		t.Errorf("%+v", m)
	}
	all, err := mine.Candidates(
		larder.Wanted{
			Role:      "mild-acid",
			Stuff:     larder.Stuff{Material: "vinegar-white", Percent: 5},
			Result:    "rate",
			Tolerance: "free",
		},
	)
	if c, ok := find(all, "lemon-juice-fresh"); err != nil || !ok || c.Class != larder.Separate {
		t.Errorf("an own swap made rate %s: %v", c.Class, err)
	}
	for _, bad := range []larder.SwapRule{
		{ID: "x", Role: "mild-acid", Results: []string{"any"}, Basis: larder.NoConversion, Class: larder.Scales},
		{ID: "x", Role: "nothing", Results: []string{"any"}, Basis: larder.EqualAcid, Class: larder.Scales},
		{ID: "x", Role: "mild-acid", Basis: larder.EqualAcid, Class: larder.Scales},
		{ID: "Bad Id", Role: "mild-acid", Results: []string{"any"}, Basis: larder.EqualAcid, Class: larder.Scales},
		{ID: "x", Role: "mild-acid", Results: []string{"any"}, To: larder.Side{Materials: []string{"battery-acid"}},
			Basis: larder.NoConversion, Class: larder.Separate},
		{ID: "x", Role: "mild-acid", Results: []string{"any"}, To: larder.Side{Materials: []string{"nectar"}},
			Basis: larder.NoConversion, Class: larder.Separate},
	} {
		if same, problems := l.With(larder.Own{Rules: []larder.SwapRule{bad}}); len(problems) == 0 || same != l {
			t.Errorf("%+v passes", bad)
		}
	}
}

// What a swap leaves out is the usual: its basis by its class and factor, its
// words by the names of the things, a school's own first.
func TestCompleted(t *testing.T) {
	side := func(id string) larder.Side { return larder.Side{Materials: []string{id}} }
	own := larder.Own{
		Materials: []larder.Material{
			{ID: "our-soap", Name: text.Localized{"en": "school soap"}},
			{ID: "honey", Name: text.Localized{"en": "moor honey"}},
		},
	}
	for _, c := range []struct {
		rule larder.SwapRule
		want larder.Basis
	}{
		{larder.SwapRule{Class: larder.Unsuitable, Factor: &larder.Range{}}, larder.Refuse},
		{larder.SwapRule{Class: larder.Scales, Factor: &larder.Range{}}, larder.EqualMass},
		{larder.SwapRule{Class: larder.Scales}, larder.Recalibrate},
		{larder.SwapRule{Class: larder.Separate}, larder.NoConversion},
		{larder.SwapRule{Class: larder.Unsuitable, Basis: larder.EqualAcid}, larder.EqualAcid},
	} {
		c.rule.From, c.rule.To = side("honey"), side("our-soap")
		own.Rules = []larder.SwapRule{
			c.rule,
			{From: larder.Side{Text: "as it says", Materials: []string{"salt"}}, To: side("moon")},
		}
		got := larder.Standard().Completed(own).Rules
		if got[0].Basis != c.want || got[0].From.Text != "moor honey" || got[0].To.Text != "school soap" {
			t.Errorf("%+v: %+v", c.rule, got[0])
		}
		if got[1].From.Text != "as it says" || got[1].To.Text != "" || own.Rules[0].From.Text != "" {
			t.Errorf("%+v, from %+v", got[1], own.Rules[0])
		}
	}
}

// A correction widens ranges and adds to lists; what it leaves out stays.
func TestACorrectionWidens(t *testing.T) {
	l := larder.Standard()
	was, _ := l.Material("vinegar-white")
	strength := was.Contains[0]
	strength.Low, strength.Typical, strength.High = 5.5, 5.5, 5.5
	sugar := larder.Content{Substance: "sucrose", Range: larder.Range{Low: 1, Typical: 2, High: 3}, Basis: "w/v"}
	mine, problems := l.With(
		larder.Own{
			Materials: []larder.Material{
				{
					ID:      was.ID,
					Name:    text.Localized{"en": "our vinegar"},
					Roles:   []string{"water-base"},
					MayHold: []string{"gluten"},
					Contains: []larder.Content{
						strength,
						sugar,
					},
					Figures: []larder.Figure{{Text: "rho 1.02", Key: "rho", Low: 1.02, High: 1.04, Unit: "g/mL"}},
				},
			},
		},
	)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	m, _ := mine.Material(was.ID)
	old := was.Contains[0].Range
	if c := m.Contains[0]; c.Low != min(old.Low, 5.5) || c.Typical != 5.5 || c.High != max(old.High, 5.5) {
		t.Errorf("the strength is %+v, was %+v", c, old)
	}
	if len(m.Contains) != len(was.Contains)+1 || m.Contains[len(m.Contains)-1] != sugar {
		t.Errorf("%+v", m.Contains)
	}
	before, known := was.Figure("rho")
	if rho, ok := m.Figure("rho"); !ok || rho.Typical != 1.03 || rho.High != 1.04 ||
		known && rho.Low != min(before.Low, 1.02) {
		t.Errorf("rho %+v, was %+v", rho, before)
	}
	for _, kept := range was.Roles {
		if !slices.Contains(m.Roles, kept) {
			t.Errorf("the job %s is gone", kept)
		}
	}
	if !slices.Contains(m.Roles, "water-base") || !slices.Contains(m.MayHold, "gluten") || m.Shelf != was.Shelf {
		t.Errorf("%+v", m)
	}
}

func TestOwnRoundTrip(t *testing.T) {
	l := larder.Standard()
	honey, _ := l.Material("honey")
	washer, _ := l.Material("washer-m8")
	own := []larder.Material{
		*honey,
		*washer,
		{ID: "minus", Name: text.Localized{"en": "-1 a trick"}, Hazards: []string{"slip"}},
	}
	var b bytes.Buffer
	swap := larder.SwapRule{
		ID:      "our-swap",
		Role:    "dense-syrup",
		Results: []string{"any"},
		From:    larder.Side{Text: "honey", Materials: []string{"honey"}},
		To:      larder.Side{Text: "minus", Materials: []string{"minus"}},
		Basis:   larder.NoConversion,
		Class:   larder.Separate,
	}
	if err := larder.WriteJSON(&b, larder.Own{Materials: own, Rules: []larder.SwapRule{swap}}); err != nil {
		t.Fatal(err)
	}
	whole, err := larder.ReadJSON(b.Bytes())
	back := whole.Materials
	if err != nil || len(back) != 3 || len(whole.Rules) != 1 || whole.Rules[0].To.Materials[0] != "minus" ||
		back[0].Name["es"] != "miel" ||
		back[1].Piece.Typical != 1.83 {
		t.Errorf("%v %+v", err, back)
	}
	if bare, err := larder.ReadJSON([]byte(`[{"id":"x"}]`)); err != nil || len(bare.Materials) != 1 {
		t.Errorf("a bare list: %v %+v", err, bare)
	}
	for _, bad := range []string{"", `{"things": []}`, `[{"id":"x","hazrds":["slip"]}]`, "[] []"} {
		if _, err := larder.ReadJSON([]byte(bad)); err == nil {
			t.Errorf("%q passes", bad)
		}
	}
}

func BenchmarkCandidates(b *testing.B) {
	l := larder.Standard()
	n := larder.Wanted{Role: "mild-acid", Stuff: larder.Stuff{Material: "vinegar-white", Percent: 5}, Result: "total-gas"}
	for b.Loop() {
		if _, err := l.Candidates(n); err != nil {
			b.Fatal(err)
		}
	}
}
