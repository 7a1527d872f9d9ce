package sentence

// Usual are the names that mostly mean one thing, for the test that they lead to one.
func Usual(language string) map[string]string { return vocabularies[language].Usual }
