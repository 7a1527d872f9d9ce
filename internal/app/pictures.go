package app

import (
	"archive/zip"
	"bytes"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// mostPictures is how many pictures a teacher's designs hold at most, in all.
const mostPictures = 500

// PictureView is a picture that was put into a design's keeping.
type PictureView struct {
	ID     string `json:"id" doc:"By which a step names it"`
	Width  int    `json:"width"`
	Height int    `json:"height"`
}

// AddPicture takes a picture for one of the teacher's experiments: it is oriented, stripped of
// all that is not seen, and scaled. A step of the draft names it by its id.
func (a *App) AddPicture(
	ctx context.Context, who TeacherActor, experiment uuid.UUID, upload []byte,
) (PictureView, error) {
	if _, err := a.Store.Experiment(ctx, who.ID, experiment); err != nil {
		return PictureView{}, notFound(err)
	}
	return a.keepPicture(ctx, who, upload)
}

func (a *App) keepPicture(ctx context.Context, who TeacherActor, upload []byte) (PictureView, error) {
	n, err := a.Store.CountPictures(ctx, who.ID)
	if err != nil {
		return PictureView{}, err
	}
	if n >= mostPictures {
		return PictureView{}, errFull("pictures")
	}
	p, err := a.Desk.Take(ctx, upload)
	var refused *media.Refused
	if errors.As(err, &refused) {
		return PictureView{}, mediaRefused(refused.Reason, string(media.PictureForm))
	}
	if err != nil {
		return PictureView{}, err
	}
	sum := sha256.Sum256(p.Display)
	v := PictureView{hex.EncodeToString(sum[:]), p.Width, p.Height}
	return v, a.Store.AddPicture(ctx, store.Picture{
		ID: v.ID, TeacherID: &who.ID, Width: p.Width, Height: p.Height, Bytes: p.Display, CreatedAt: a.Now(),
	})
}

// DesignPicture reads a picture that one of the teacher's experiments names, or that the teacher
// brought and no draft names yet.
func (a *App) DesignPicture(ctx context.Context, who TeacherActor, experiment uuid.UUID, id string) ([]byte, error) {
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return nil, notFound(err)
	}
	p, err := a.Store.Picture(ctx, id)
	if err != nil {
		return nil, notFound(err)
	}
	own := p.TeacherID != nil && *p.TeacherID == who.ID
	if !own && !slices.Contains(picturesOf(e.Draft), id) {
		return nil, refusal.ErrNotFound
	}
	return p.Bytes, nil
}

// HomePicture reads a picture of the design that a home does.
func (a *App) HomePicture(ctx context.Context, who HomeActor, assignment uuid.UUID, id string) ([]byte, error) {
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return nil, notFound(err)
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return nil, err
	}
	if !slices.Contains(d.Pictures(), id) || d.Way == design.WatchShared || as.RecalledAt != nil {
		return nil, refusal.ErrNotFound
	}
	p, err := a.Store.Picture(ctx, id)
	return p.Bytes, notFound(err)
}

// picturesOf are the pictures that a document names; none where it cannot be read.
func picturesOf(document []byte) []string {
	d, err := design.Read(document)
	if err != nil {
		return nil
	}
	return d.Pictures()
}

// The names of what an open file holds.
const (
	documentFile = "experiment.json"
	pictureFile  = "pictures/%s.jpg"
)

// WriteOpenFile writes an experiment's draft as one file: the document alone where it names no
// picture, byte for byte as it was saved, else a zip file with the pictures beside it. It
// reports whether it is a zip file before the first byte is written.
func (a *App) WriteOpenFile(
	ctx context.Context, who TeacherActor, id uuid.UUID, zipped func(bool) io.Writer,
) error {
	document, err := a.DraftFile(ctx, who, id)
	if err != nil {
		return err
	}
	names := picturesOf(document)
	if len(names) == 0 {
		_, err = zipped(false).Write(document)
		return err
	}
	files := [][]byte{document}
	for _, name := range names {
		p, err := a.Store.Picture(ctx, name)
		if err != nil {
			return notFound(err)
		}
		files = append(files, p.Bytes)
	}
	z := zip.NewWriter(zipped(true))
	for i, content := range files {
		name := documentFile
		if i > 0 {
			name = fmt.Sprintf(pictureFile, names[i-1])
		}
		w, err := z.Create(name)
		if err == nil {
			_, err = w.Write(content)
		}
		if err != nil {
			return err
		}
	}
	return z.Close()
}

// MaxOpenFile is how large an open file may be, in bytes.
const MaxOpenFile = 24 << 20

// OpenFile makes an experiment of an open file: a document, or a zip file of one with its
// pictures, which are made anew like any upload.
func (a *App) OpenFile(ctx context.Context, who TeacherActor, content []byte, language string) (DraftView, error) {
	if !bytes.HasPrefix(content, []byte("PK\x03\x04")) {
		return a.AddExperiment(ctx, who, content, language)
	}
	z, err := zip.NewReader(bytes.NewReader(content), int64(len(content)))
	if err != nil {
		return DraftView{}, refusal.Field("file", refusal.Rule("zip"), documentFile)
	}
	document, err := inZip(z, documentFile, MaxOpenFile)
	if err != nil {
		return DraftView{}, err
	}
	for _, name := range picturesOf(document) {
		if _, err := a.Store.Picture(ctx, name); err == nil {
			continue // this very picture is here
		} else if !errors.Is(err, store.ErrNotFound) {
			return DraftView{}, err
		}
		upload, err := inZip(z, fmt.Sprintf(pictureFile, name), media.MaxBytes)
		if err != nil {
			return DraftView{}, err
		}
		kept, err := a.keepPicture(ctx, who, upload)
		if err != nil {
			return DraftView{}, err
		}
		document = []byte(strings.ReplaceAll(string(document), name, kept.ID))
	}
	return a.AddExperiment(ctx, who, document, language)
}

// inZip reads one file of a zip file, of no more than most bytes.
func inZip(z *zip.Reader, name string, most int64) ([]byte, error) {
	missing := refusal.Field("file", refusal.Rule("in-zip", "name", name), name)
	f, err := z.Open(name)
	if err != nil {
		return nil, missing
	}
	defer f.Close()
	content, err := io.ReadAll(io.LimitReader(f, most+1))
	if err != nil || int64(len(content)) > most {
		return nil, missing
	}
	return content, nil
}
