package app

import (
	"archive/zip"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/export"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/results"
)

// Archive is what a class leaves as: open files that need no program of ours.
type Archive struct {
	Name  string
	write func(ctx context.Context, w io.Writer) error
}

// Write writes the archive as a zip file.
func (f Archive) Write(ctx context.Context, w io.Writer) error { return f.write(ctx, w) }

// archived is one file of an archive, in its manifest.
type archived struct {
	Path   string `json:"path"`
	Bytes  int    `json:"bytes"`
	Sha256 string `json:"sha256"`
}

// archivedHome is a home in an archive. What it says of itself, its telephone
// and its ways in stay here.
type archivedHome struct {
	ID       uuid.UUID `json:"id"`
	Nickname string    `json:"nickname"`
	Letters  string    `json:"letters"`
	Language string    `json:"language"`
	Students []string  `json:"students"`
	Note     string    `json:"note,omitempty"`
}

// archivedEntry is one line of a notebook as it was sent.
type archivedEntry struct {
	ID         uuid.UUID       `json:"id"`
	Home       *uuid.UUID      `json:"home"`
	Provenance string          `json:"provenance"`
	Kind       string          `json:"kind"`
	ReceivedAt time.Time       `json:"received_at"`
	Late       bool            `json:"late"`
	Body       json.RawMessage `json:"body"`
}

// Archive gathers all of a class that its homes gave leave for: settings, homes,
// and for each experiment its file, its readings as CSV, every entry as it was
// sent and the photos. It is read piece by piece while it is written.
func (a *App) Archive(ctx context.Context, who TeacherActor, class uuid.UUID) (Archive, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return Archive{}, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return Archive{}, err
	}
	students, err := a.Store.Students(ctx, class)
	if err != nil {
		return Archive{}, err
	}
	assignments, err := a.Store.Assignments(ctx, class)
	if err != nil {
		return Archive{}, err
	}
	said, err := answersOf(ctx, &a.Store.Queries, class)
	if err != nil {
		return Archive{}, err
	}
	if err := a.audited(ctx, who, class, nil, "class", "archive", func(*store.Queries) error {
		return nil
	}); err != nil {
		return Archive{}, err
	}
	var listed []archivedHome
	for _, h := range homes {
		row := archivedHome{h.ID, h.Nickname, h.Letters, h.Language, []string{}, h.Note}
		for _, s := range students {
			if s.HomeID == h.ID {
				row.Students = append(row.Students, s.Name)
			}
		}
		listed = append(listed, row)
	}
	name := results.PlainName(c.Name)
	return Archive{name + ".zip", func(ctx context.Context, w io.Writer) error {
		z := &archiveWriter{zip: zip.NewWriter(w), folders: map[string]int{}}
		z.json("class.json", viewClass(c, len(homes)).ClassFields)
		z.json("homes.json", listed)
		z.json("kitchens.json", kitchensFile(c, homes, said))
		for _, as := range slices.Backward(assignments) { // oldest first
			if err := a.archiveAssignment(ctx, z, who, as); err != nil {
				return err
			}
		}
		z.json(
			"manifest.json",
			map[string]any{
				"format":  "patient-kitchen class",
				"version": 1,
				"made_at": a.Now().UTC(),
				"class":   c.ID,
				"files":   z.files,
			},
		)
		if z.err != nil {
			return z.err
		}
		return z.zip.Close()
	}}, nil
}

// kitchensFile is what homes said of their kitchens, as the fit command reads it; facts of
// a home stay here.
func kitchensFile(c store.Class, homes []store.Home, said map[uuid.UUID]kitchens.Fields) kitchen.Class {
	out := kitchen.Class{Measures: c.UnitSystem, Homes: []kitchen.Kitchen{}}
	for _, h := range homes {
		if f, ok := said[h.ID]; ok && h.DeletedAt == nil {
			out.Homes = append(out.Homes, f.Kitchen(h.Nickname))
		}
	}
	return out
}

func (a *App) archiveAssignment(ctx context.Context, z *archiveWriter, who TeacherActor, as store.Assignment) error {
	b, err := a.classBooks(ctx, who, as.ClassID, as.ID)
	if err != nil {
		return err
	}
	document, err := a.Store.VersionDocument(ctx, as.VersionID)
	if err != nil {
		return err
	}
	file, _, err := a.Export(ctx, who, as.ClassID, as.ID, text.In(b.class.Language, b.class.Zone))
	if err != nil {
		return err
	}
	permissions, err := a.Store.Permissions(ctx, as.ClassID, as.ID)
	if err != nil {
		return err
	}
	incidents, err := a.Store.IncidentsOf(ctx, as.ClassID, as.ID)
	if err != nil {
		return err
	}
	title := file.Experiment
	dir := z.folder(
		fmt.Sprintf("%s-%s-version-%d", as.OpensAt.UTC().Format(time.DateOnly), results.PlainName(title), as.Number),
	)
	z.put(dir+"experiment.json", document)
	for _, id := range picturesOf(document) {
		p, err := a.Store.Picture(ctx, id)
		if err != nil {
			return notFound(err)
		}
		z.put(dir+fmt.Sprintf(pictureFile, id), p.Bytes)
	}
	for name, write := range map[string]func(io.Writer, export.Dialect) error{"readings": file.ReadingsCSV,
		"answers": file.AnswersCSV, "observations": file.ObservationsCSV, "results": file.ResultsCSV} {
		z.make(dir+name+".csv", func(w io.Writer) error { return write(w, export.Usual) })
	}
	z.make(dir+"tables.xlsx", file.XLSX)
	z.json(dir+"readings.json", file.Readings)
	z.json(dir+"results.json", file.Report)
	z.json(dir+"permissions.json", archivedPermissions(permissions))
	z.json(dir+"incidents.json", archivedIncidents(b, incidents))
	entries := []archivedEntry{}
	for _, of := range append([][]store.Entry{b.sharedRows}, entriesInOrder(b)...) {
		for _, e := range of {
			if e.Kind != string(notebook.Fact) { // what a home says of itself
				entries = append(
					entries,
					archivedEntry{
						e.ID,
						e.HomeID,
						e.Provenance,
						e.Kind,
						e.ReceivedAt.UTC(),
						e.Late,
						json.RawMessage(e.Body),
					},
				)
			}
		}
	}
	z.json(dir+"entries.json", entries)
	for _, h := range b.homes {
		for _, row := range b.entries[h.ID] {
			e, _ := readEntry(row)
			if e.Given == nil || len(e.Given.Strokes) == 0 {
				continue
			}
			of := results.PlainName(h.Nickname) + "-" + results.PlainName(e.Evidence) + "-" + row.ID.String()[24:]
			shows := ""
			if of, ok := b.design.EvidenceOf(e.Evidence); ok {
				shows, _ = of.Name.In(b.class.Language)
			}
			z.make(dir+"drawings/"+of+".svg", func(w io.Writer) error {
				return export.Drawing(w, h.Nickname+": "+shows, e.Given.Strokes)
			})
		}
		if p := b.permissions[h.ID]; p.State != "granted" || !p.Photos {
			continue
		}
		for _, shown := range b.books[h.ID].Media {
			id, err := uuid.Parse(shown.Refers)
			if err != nil {
				continue
			}
			size, place, ending := "display", "photos/", ".jpg"
			if shown.Kind == notebook.Recorded {
				size, place, ending = "recording", "recordings/", ".mp4"
			}
			raw, err := a.Store.MediaBytes(ctx, as.ClassID, id, size)
			if notFound(err) == refusal.ErrNotFound {
				continue // not kept any longer
			}
			if err != nil {
				return err
			}
			z.put(dir+place+results.PlainName(h.Nickname)+"-"+results.PlainName(shown.Evidence)+"-"+
				id.String()[24:]+ending, raw)
		}
	}
	return z.err
}

// archivedPermission is one answer of a home, without the name of who gave it.
type archivedPermission struct {
	Home     uuid.UUID `json:"home"`
	Decision string    `json:"decision"`
	Photos   bool      `json:"photos"`
	Gallery  bool      `json:"gallery"`
	Language string    `json:"language"`
	At       time.Time `json:"at"`
	Without  []string  `json:"without,omitempty"` // short activities that were not agreed to
}

func archivedPermissions(rows []store.Permission) []archivedPermission {
	out := []archivedPermission{}
	for _, p := range rows {
		out = append(out, archivedPermission{p.HomeID, p.Kind, p.Photos, p.Gallery, p.Language, p.At.UTC(), p.Without})
	}
	return out
}

// archivedIncident is what a home told through Something went wrong.
type archivedIncident struct {
	Home       uuid.UUID  `json:"home"`
	Door       string     `json:"door"`
	Outcome    string     `json:"outcome"`
	Note       string     `json:"note"`
	PhoneTime  time.Time  `json:"phone_time"`
	ReceivedAt time.Time  `json:"received_at"`
	SeenAt     *time.Time `json:"seen_at"`
}

func archivedIncidents(b *classBooks, rows []store.Incident) []archivedIncident {
	out := []archivedIncident{}
	for _, i := range rows {
		if b.permissions[i.HomeID].State == "withdrawn" {
			continue // what it sent is hidden
		}
		out = append(
			out,
			archivedIncident{i.HomeID, i.Door, i.Outcome, i.Note, i.PhoneTime.UTC(), i.ReceivedAt.UTC(), i.SeenAt},
		)
	}
	return out
}

func entriesInOrder(b *classBooks) [][]store.Entry {
	var out [][]store.Entry
	for _, h := range b.homes {
		out = append(out, b.entries[h.ID])
	}
	return out
}

// archiveWriter writes files into a zip and remembers them for the manifest.
type archiveWriter struct {
	zip     *zip.Writer
	files   []archived
	folders map[string]int
	err     error
}

// folder names a folder that no other has: the same version may have gone out
// twice in a day, and two experiments may have one title.
func (z *archiveWriter) folder(name string) string {
	if z.folders[name]++; z.folders[name] > 1 {
		return fmt.Sprintf("%s-again-%d/", name, z.folders[name])
	}
	return name + "/"
}

// make writes a file by a function, while nothing has gone wrong.
func (z *archiveWriter) make(path string, write func(io.Writer) error) {
	if z.err != nil {
		return
	}
	f, err := z.zip.Create(path)
	if err != nil {
		z.err = err
		return
	}
	sum, n := sha256.New(), counter(0)
	z.err = write(io.MultiWriter(f, sum, &n))
	z.files = append(z.files, archived{path, int(n), hex.EncodeToString(sum.Sum(nil))})
}

func (z *archiveWriter) put(path string, raw []byte) {
	z.make(path, func(w io.Writer) error { _, err := w.Write(raw); return err })
}

func (z *archiveWriter) json(path string, v any) {
	z.make(path, func(w io.Writer) error {
		out := json.NewEncoder(w)
		out.SetIndent("", "  ")
		return out.Encode(v)
	})
}

type counter int

func (c *counter) Write(b []byte) (int, error) {
	*c += counter(len(b))
	return len(b), nil
}
