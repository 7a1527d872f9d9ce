package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
)

// command runs the program to its end.
func command(t *testing.T, database, stdin string, args ...string) (stdout, stderr string, status int) {
	t.Helper()
	cmd := exec.Command(binary(t), args...)
	cmd.Env = append(os.Environ(), "PK_DATABASE_URL="+database)
	cmd.Stdin = strings.NewReader(stdin)
	var out, err bytes.Buffer
	cmd.Stdout, cmd.Stderr = &out, &err
	if e := cmd.Run(); e != nil && cmd.ProcessState == nil {
		t.Fatal(e)
	}
	return out.String(), err.String(), cmd.ProcessState.ExitCode()
}

// An operator's day: accounts, experiments as open files, a backup and its
// restoring into a new database.
func TestCommands(t *testing.T) {
	url := database(t)
	if _, errs, status := command(t, url, password+"\n", "teacher", "add", email, "Ms Tarrant"); status != 0 ||
		!strings.Contains(errs, "can sign in") {
		t.Fatalf("%d %s", status, errs)
	}
	for _, c := range []struct {
		stdin  string
		args   []string
		status int
		says   string
	}{
		{password, []string{"teacher", "add", email, "Twice"}, 1, "taken by another account"},
		{"short", []string{"teacher", "add", "b@school.example", "B"}, 1, "at least 12 signs"},
		{password, []string{"teacher", "add", "nowhere", "B"}, 1, "has to be an address"},
		{"", []string{"import", email, "../docs/examples/no-such.json"}, 1, "no such file"},
		{"", []string{"import", "x@y.example", "../docs/examples/paper-strips.json"}, 1, "no teacher"},
		{"", []string{"export", email, "Volcano"}, 1, `no experiment called "Volcano"`},
		{"", []string{"dance"}, 2, "serve"},
		{"", nil, 2, "patient-kitchen"},
		{"", []string{"restore", "../docs/examples/paper-strips.json"}, 1, "not empty"},
	} {
		if _, errs, status := command(t, url, c.stdin, c.args...); status != c.status ||
			!strings.Contains(errs, c.says) {
			t.Errorf("%v: status %d, %s; want %d, %q", c.args, status, errs, c.status, c.says)
		}
	}
	if _, errs, status := command(t, "", "", "migrate"); status != 1 ||
		!strings.Contains(errs, "PK_DATABASE_URL is not set") {
		t.Errorf("without a database: %d %s", status, errs)
	}

	id, errs, status := command(t, url, "", "import", email, "../docs/examples/broken-units.json")
	if status != 0 || len(strings.TrimSpace(id)) != 36 || !strings.Contains(errs, "is not a length of time") {
		t.Errorf("a broken experiment is taken and explained: %d %s %s", status, id, errs)
	}
	if _, _, status := command(t, url, "", "import", email, "../docs/examples/paper-strips.json"); status != 0 {
		t.Fatal(status)
	}
	want, err := os.ReadFile("../docs/examples/paper-strips.json")
	if err != nil {
		t.Fatal(err)
	}
	if got, _, _ := command(t, url, "", "export", email, "Paper strips"); got != string(want) {
		t.Error("what comes out is not byte for byte what went in")
	}

	file := filepath.Join(t.TempDir(), "backup.tar")
	if _, errs, status := command(t, url, "", "backup", file); status != 0 {
		t.Fatal(errs)
	}
	if info, err := os.Stat(file); err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("a backup is for its owner only: %v %v", info, err)
	}
	if _, errs, status := command(t, url, "", "backup", file); status != 1 || !strings.Contains(errs, "exists") {
		t.Errorf("a second backup over the first: %d %s", status, errs)
	}
	fresh := database(t)
	if _, errs, status := command(t, fresh, "", "restore", file); status != 0 {
		t.Fatal(errs)
	}
	if got, _, _ := command(t, fresh, "", "export", email, "Paper strips"); got != string(want) {
		t.Error("the restored experiment differs")
	}
	if _, errs, status := command(t, database(t), "not a backup", "restore", "-"); status != 1 ||
		!strings.Contains(errs, "cannot be read") {
		t.Errorf("something else than a backup: %d %s", status, errs)
	}
}

// The demo goes on where it was, and keeps away from a database that holds
// something else.
func TestDemoAgain(t *testing.T) {
	url, dir := database(t), t.TempDir()
	first := start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", dir, "--listen", "127.0.0.1:0")
	link := first.link("Gorse")
	first.kill()
	second := start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", dir, "--listen", "127.0.0.1:0")
	again := second.link("Gorse")
	if token := func(l string) string { return l[strings.LastIndexByte(l, '/'):] }; token(link) != token(again) ||
		len(token(link)) != 44 {
		t.Errorf("the link was %s and is %s", link, again)
	}
	if _, errs, status := command(t, url, "", "demo", "--fresh", "--dir", dir); status != 1 ||
		!strings.Contains(errs, "empty it yourself") {
		t.Errorf("--fresh on somebody's database: %d %s", status, errs)
	}
	other := database(t)
	if _, _, status := command(t, other, password, "teacher", "add", email, "Real"); status != 0 {
		t.Fatal("no account")
	}
	if _, errs, status := command(t, other, "", "demo", "--dir", dir, "--listen", "127.0.0.1:0"); status != 1 ||
		!strings.Contains(errs, "holds something else") {
		t.Errorf("a database with somebody in it: %d %s", status, errs)
	}
}

// The published schemas are JSON and name what the examples use.
func TestPublishedSchemas(t *testing.T) {
	for name, says := range map[string]string{"experiment.schema.json": `"repeatability"`,
		"openapi.json": `"/api/v1/home/{home}/assignments/{assignment}/entries/{entry}"`} {
		raw, err := os.ReadFile("../docs/" + name)
		if err != nil || !json.Valid(raw) || !bytes.Contains(raw, []byte(says)) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// A class from its files, without a server: the same files give the same bytes,
// and what cannot be read is said with its place.
func TestCompareCommand(t *testing.T) {
	var rows []map[string]any
	for h, climbs := range [][2]float64{{10, 30}, {11, 31}, {9, 30}, {10, 32}, {12, 29}} {
		for i, condition := range []string{"printer", "towel"} {
			rows = append(
				rows,
				map[string]any{
					"home":       fmt.Sprintf("home %d", h),
					"provenance": "own",
					"reading":    "height",
					"condition":  condition,
					"time":       "8 min",
					"trial":      1,
					"typed":      fmt.Sprint(climbs[i], " mm"),
					"fate":       "counts",
				},
			)
		}
	}
	file := filepath.Join(t.TempDir(), "readings.json")
	write := func(v any) {
		raw, _ := json.Marshal(v)
		if err := os.WriteFile(file, raw, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	write(map[string]any{"made": "2027-02-03T09:00:00Z", "measures": "metric", "readings": rows})
	design := "../docs/examples/paper-strips.json"
	out, errs, status := command(t, "", "", "compare", design, file)
	again, _, _ := command(t, "", "", "compare", design, file)
	var report struct {
		Made     string
		Findings []struct {
			ID, Verdict, Test string
			N                 int
			P, P_Corrected    *float64
			Estimate          map[string]any
			Words             struct{ Teacher, Family map[string]string }
		}
		Homes    []map[string]any
		Left_Out []map[string]any
		Doubtful []any
	}
	if err := json.Unmarshal([]byte(out), &report); err != nil || status != 0 || out != again {
		t.Fatalf("%d %v %s", status, err, errs)
	}
	// Differences 20, 20, 21, 22, 17: mean 20.
	last := report.Findings[2]
	if report.Made != "2027-02-03T09:00:00Z" || len(report.Findings) != 3 || last.ID != "climb-towel" ||
		last.Verdict != "supported" ||
		last.Test != "paired-t" ||
		last.N != 5 ||
		last.Estimate["value"] != 20.0 ||
		last.Words.Family["es"] == "" {
		t.Errorf("%+v", report)
	}
	if first := report.Findings[0]; first.P != nil || first.Verdict != "cannot-tell" {
		t.Errorf("nobody did newspaper: %+v", first)
	}
	if len(report.Homes) != 5 || len(report.Left_Out) == 0 || report.Doubtful == nil {
		t.Errorf("%d homes, %d left out", len(report.Homes), len(report.Left_Out))
	}
	rows[3]["condition"] = "velvet"
	write(map[string]any{"readings": rows})
	if _, errs, status := command(t, "", "", "compare", design, file); status != 2 ||
		!strings.Contains(errs, "readings[3]") {
		t.Errorf("%d %s", status, errs)
	}
	if _, errs, status := command(t, "", "", "compare", design, "nowhere.json"); status != 2 ||
		!strings.Contains(errs, "nowhere.json") {
		t.Errorf("%d %s", status, errs)
	}
	if _, _, status := command(t, "", "", "compare", file, file); status != 2 {
		t.Errorf("readings for a design: %d", status)
	}
}

// A model from the command line: the same registry, with files in the place of
// their names, and one way of saying what is wrong.
func TestComputeCommand(t *testing.T) {
	run := func(stdin string, args ...string) (out map[string]any, errs string, status int) {
		t.Helper()
		stdout, errs, status := command(t, "", stdin, append([]string{"compute"}, args...)...)
		if status == 0 {
			if err := json.Unmarshal([]byte(stdout), &out); err != nil {
				t.Fatal(err)
			}
		}
		return out, errs, status
	}
	// A pendulum of 1 m swings once in 2.00641 s (2π√(L/g), g = 9.80665 m/s²).
	out, errs, status := run(`{"inputs": {"length": "100 cm"}}`, "pendulum")
	if status != 0 || out["model"] != "pendulum" || len(out["notes"].([]any)) == 0 {
		t.Fatalf("%d %s %v", status, errs, out)
	}
	if period := out["outputs"].(map[string]any)["period"].(map[string]any); period["unit"] != "s" ||
		math.Abs(period["value"].(float64)-2.00641) > 1e-5 {
		t.Errorf("%v", period)
	}
	out, _, _ = run(`{"inputs": {"text": "2 3/4 tsp"}}`, "quantity-parse")
	if low := out["outputs"].(map[string]any)["low"].(map[string]any); len(low) != 1 || low["value"] != nil {
		t.Errorf("what does not apply is null and has no unit: %v", low)
	}

	quiet := filepath.Join(t.TempDir(), "quiet.wav")
	head := "RIFF\x00\x00\x00\x00WAVEfmt \x10\x00\x00\x00\x01\x00\x01\x00\x40\x1f\x00\x00\x80\x3e\x00\x00\x02\x00\x10\x00data\x00\x10\x00\x00"
	if err := os.WriteFile(quiet, append([]byte(head), make([]byte, 4096)...), 0o600); err != nil {
		t.Fatal(err)
	}
	name, _ := json.Marshal(quiet)
	out, errs, status = run(`{"inputs": {"wav": `+string(name)+`}}`, "signal-pitch")
	if status != 0 {
		t.Fatal(errs)
	}
	if f := out["outputs"].(map[string]any)["frequency"].(map[string]any); f["value"] != nil {
		t.Errorf("silence has no pitch: %v", f)
	}

	for _, c := range []struct{ stdin, model, input, says string }{
		{"", "pendulum", "", "cannot be read"},
		{"{", "pendulum", "", "cannot be read"},
		{"{}", "pendulum", "", "no inputs"},
		{`{"inputs": {}} more`, "pendulum", "", "something follows"},
		{`{"inputs": {}, "input": {}}`, "pendulum", "", "unknown field"},
		{`{"inputs": {}}`, "volcano", "", "compute --list"},
		{`{"inputs": {}}`, "pendulum", "length", "exactly one"},
		{`{"inputs": {"counts": [14, "6 g"]}}`, "choice", "counts[1]", "plain number"},
		{`{"inputs": {"wav": "no-such.wav"}}`, "signal-pitch", "wav", "cannot be read"},
		{`{"inputs": {"wav": 5}}`, "signal-pitch", "wav", "has to be a text"},
		{`{"inputs": {"wav": "commands_test.go"}}`, "signal-pitch", "wav", "not a WAV"},
	} {
		_, errs, status := run(c.stdin, c.model)
		var said struct {
			Error struct{ Input, Message string }
		}
		if err := json.Unmarshal([]byte(errs), &said); err != nil || status != 2 || said.Error.Input != c.input ||
			!strings.Contains(said.Error.Message, c.says) {
			t.Errorf("%s < %s: status %d, %s; want %q %q", c.model, c.stdin, status, errs, c.input, c.says)
		}
	}

	list, _, status := command(t, "", "", "compute", "--list")
	var models []struct {
		ID     string
		Inputs []struct{ Name, Unit string }
	}
	if err := json.Unmarshal([]byte(list), &models); err != nil || status != 0 || len(models) != 37 ||
		models[0].Inputs[0].Name == "" {
		t.Errorf("%v %d %d", err, status, len(models))
	}
}

// check judges a file for anyone: status 0 when it could be issued in its own
// way of working, 1 when not, 2 when it cannot be read.
func TestCheckCommand(t *testing.T) {
	type answer struct {
		Validation []struct{ Code, Severity, Path, Message, Mend string }
		Safety     []struct {
			Rule, Verdict string
			AgeBand       string `json:"age_band"`
			Steps         []string
			Why, Measures string
			Ways          []string
		}
		Verdict  map[string]string
		Issuable bool
	}
	folder := t.TempDir()
	file := func(name string, change func(map[string]any)) string {
		raw, err := os.ReadFile("../docs/examples/sour-lemon.json")
		if err != nil {
			t.Fatal(err)
		}
		var doc map[string]any
		if err := json.Unmarshal(raw, &doc); err != nil {
			t.Fatal(err)
		}
		change(doc)
		raw, _ = json.Marshal(doc)
		path := filepath.Join(folder, name)
		if err := os.WriteFile(path, raw, 0o600); err != nil {
			t.Fatal(err)
		}
		return path
	}
	closed := func(doc map[string]any) { doc["steps"].([]any)[3].(map[string]any)["closed"] = true }
	for _, c := range []struct {
		name, path string
		status     int
		rule       string
		verdict    string
	}{
		{"as it ships", "../docs/examples/sour-lemon.json", 0, "blade", "adult-does"},
		{"a lid on the fizz", file("closed.json", closed), 1, "gas-rigid-closed", "not-at-home"},
		{"watched only", file("watched.json", func(d map[string]any) { closed(d); d["way"] = "watch-shared" }), 0,
			"gas-rigid-closed", "not-at-home"},
		{"broken", "../docs/examples/broken-units.json", 1, "small-part", "care"},
	} {
		out, errs, status := command(t, "", "", "check", c.path)
		var a answer
		if err := json.Unmarshal([]byte(out), &a); err != nil || status != c.status || a.Issuable != (c.status == 0) ||
			len(a.Verdict) != 4 {
			t.Errorf("%s: status %d, %v %s %.300s", c.name, status, err, errs, out)
			continue
		}
		found := false
		for _, f := range a.Safety {
			if f.Rule == c.rule && f.Verdict == c.verdict && f.Why != "" && f.Measures != "" && len(f.Steps) > 0 {
				found = true
				if c.verdict == "not-at-home" && len(f.Ways) == 0 {
					t.Errorf("%s: %s has no way out", c.name, f.Rule)
				}
			}
		}
		if !found {
			t.Errorf("%s: no %s (%s) in %+v", c.name, c.rule, c.verdict, a.Safety)
		}
	}
	if a, _, status := command(t, "", "", "check", "../docs/examples/broken-units.json"); status != 1 ||
		!strings.Contains(a, `"severity": "error"`) {
		t.Errorf("%d %.200s", status, a)
	}
	for _, bad := range []string{filepath.Join(folder, "none.json"), "../README.md", "../docs/openapi.json"} {
		if _, errs, status := command(t, "", "", "check", bad); status != 2 ||
			!strings.Contains(errs, "cannot be read") {
			t.Errorf("%s: %d %s", bad, status, errs)
		}
	}
}

// The kitchens of a class and a design give the plans of its homes, the same bytes each
// time; a file that is none is refused with its place.
func TestFitCommand(t *testing.T) {
	url := database(t)
	args := []string{"fit", "../docs/examples/thirsty-beans.json", "../docs/examples/kitchens/moorland.json"}
	out, errs, status := command(t, url, "", args...)
	if status != 0 {
		t.Fatalf("%d %s", status, errs)
	}
	var report struct {
		Plans []struct {
			Home, Verdict string
			Kit           []string
		}
		Says map[string]string
	}
	if err := json.Unmarshal([]byte(out), &report); err != nil {
		t.Fatal(err)
	}
	verdicts := map[string]string{}
	for _, p := range report.Plans {
		verdicts[p.Home] = p.Verdict
	}
	for home, want := range map[string]string{"Adder": "needs-a-kit", "Beck": "as-designed",
		"Tarn": "shared-readings"} {
		if verdicts[home] != want {
			t.Errorf("%s: %s, not %s", home, verdicts[home], want)
		}
	}
	if !strings.Contains(report.Says["en"], "as designed") ||
		!strings.Contains(report.Says["es"], "como está diseñado") {
		t.Error(report.Says)
	}
	if again, _, _ := command(t, url, "", args...); again != out {
		t.Error("the same files give other bytes")
	}
	if _, errs, status := command(t, url, "", "fit", args[1], args[1]); status != 2 ||
		!strings.Contains(errs, "nothing reads this key") {
		t.Errorf("%d %s", status, errs)
	}
}
