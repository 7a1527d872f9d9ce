package text

// Accents are letters with an accent, each followed by what people type without
// one, for strings.NewReplacer. An ñ is a letter of its own.
var Accents = []string{"á", "a", "é", "e", "í", "i", "ó", "o", "ú", "u", "ü", "u", "à", "a", "è", "e", "ç",
	"c"}
