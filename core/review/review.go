package review

import (
	"embed"
	"strconv"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Weight says how much a line of the margin wants.
type Weight string

// A line stops issuing, wants mending, is worth knowing, or is in order.
const (
	Stop Weight = "stop"
	Mend Weight = "mend"
	Note Weight = "note"
	Fine Weight = "fine"
)

// Line is one line of the margin.
type Line struct {
	Topic   string // safety, design, time, fair; always in this order
	Weight  Weight
	Message text.Message
	Path    string // JSON Pointer of its place; "" for the whole
}

// Review is all that a design means now.
type Review struct {
	Validation []design.Finding
	Safety     safety.Report
	Timeline   schedule.Timeline
	Margin     []Line
	Blockers   []Blocker // what keeps it from homes; none where it can be issued
}

// Issuable reports whether nothing in the design keeps it from homes.
func (r Review) Issuable() bool { return len(r.Blockers) == 0 }

// Of judges a design.
func Of(d *design.Document) Review {
	r := Review{Validation: design.Validate(d), Safety: safety.Judge(d, d.Larder(), nil), Timeline: schedule.Plan(d)}
	r.Blockers = gate(d, r.Validation, r.Safety)
	r.Margin = []Line{
		safetyLine(d, r.Safety),
		designLine(r.Validation),
		timeLine(d, r.Timeline),
		fairLine(d, r.Validation),
	}
	return r
}

// safetyLine says the gravest thing: what keeps it from homes, then what is
// out of order, then the adult jobs.
func safetyLine(d *design.Document, r safety.Report) Line {
	l := Line{Topic: "safety", Weight: Fine, Message: text.Message{ID: "review.safety.fine"}}
	worst := safety.Worst(r.Findings)
	if worst == safety.NotAtHome {
		for _, f := range r.Findings {
			if f.Verdict == worst {
				l.Weight, l.Message = Stop, f.Why
				if f.Asks {
					l.Weight = Mend
				}
				l.Path = placeOf(d, f.Steps, f.Needs)
				return l
			}
		}
	}
	for _, line := range r.Lines {
		if line.Kind == safety.OrderError {
			return Line{Topic: "safety", Weight: Mend, Message: line.Message, Path: stepPath(d, line.Step)}
		}
	}
	if jobs := safety.AdultJobs(d, r.Findings); len(jobs) > 0 {
		return Line{
			Topic:   "safety",
			Weight:  Note,
			Message: text.Message{ID: "review.safety.adult", Args: text.Args{"n": len(jobs)}},
			Path:    stepPath(d, jobs[0].Step),
		}
	}
	return l
}

// placeOf is where a finding is mended: at its need if it has one, else at
// its first step.
func placeOf(d *design.Document, steps, needs []string) string {
	if len(needs) > 0 {
		for i := range d.Needs {
			if d.Needs[i].ID == needs[0] {
				return "/needs/" + strconv.Itoa(i)
			}
		}
	}
	if len(steps) > 0 {
		return stepPath(d, steps[0])
	}
	return ""
}

func stepPath(d *design.Document, id string) string {
	i, ok := d.Step(id)
	if !ok {
		return ""
	}
	return "/steps/" + strconv.Itoa(i)
}

// designLine says the gravest thing the validation found.
func designLine(findings []design.Finding) Line {
	weights := map[design.Severity]Weight{design.Error: Stop, design.Warning: Mend, design.Hint: Note}
	for _, s := range []design.Severity{design.Error, design.Warning, design.Hint} {
		for _, f := range findings {
			if f.Severity == s && f.Code != "no-control" && f.Code != "nothing-changes" {
				weight := weights[s]
				if f.Offer != "" {
					weight = Mend // one press away
				}
				return Line{Topic: "design", Weight: weight, Message: f.Message, Path: f.Path}
			}
		}
	}
	return Line{Topic: "design", Weight: Fine, Message: text.Message{ID: "review.design.fine"}}
}

func timeLine(d *design.Document, t schedule.Timeline) Line {
	hands, total := int(t.Hands/time.Minute), int(t.Total/time.Minute)
	args := text.Args{"hands": hands, "total": total}
	l := Line{Topic: "time", Weight: Fine, Message: text.Message{ID: "review.time.fine", Args: args}}
	if total > 180 {
		args["total"] = float64(total) / 60
		l.Message.ID = "review.time.hours"
	}
	if lesson, ok := design.Seconds(d.Lesson); ok && d.Lesson != "" &&
		t.Total > time.Duration(lesson*float64(time.Second)) {
		l.Weight, l.Path = Mend, "/lesson"
		l.Message = text.Message{ID: "review.time.over", Args: text.Args{"total": total, "lesson": d.Lesson}}
	}
	return l
}

func fairLine(d *design.Document, findings []design.Finding) Line {
	for _, f := range findings {
		switch f.Code {
		case "nothing-changes":
			return Line{Topic: "fair", Weight: Stop, Message: f.Message, Path: f.Path}
		case "no-control":
			return Line{Topic: "fair", Weight: Note, Message: f.Message, Path: f.Path}
		}
	}
	if n := len(d.Stages); n > 1 && d.InParts((*design.Reading).PerStage) && len(d.Conditions) < 2 {
		return Line{Topic: "fair", Weight: Fine, Message: text.M("review.fair.stages", "n", n)}
	}
	if n := len(d.ObjectIDs()); n > 1 && d.InParts((*design.Reading).PerObject) && len(d.Conditions) < 2 {
		return Line{Topic: "fair", Weight: Fine, Message: text.M("review.fair.objects", "n", n)}
	}
	if len(d.Conditions) < 2 {
		return Line{Topic: "fair", Weight: Note, Message: text.Message{ID: "review.fair.one"}, Path: "/conditions"}
	}
	return Line{
		Topic:   "fair",
		Weight:  Fine,
		Message: text.Message{ID: "review.fair.fine", Args: text.Args{"n": len(d.Conditions), "name": d.Changed.Name}},
	}
}
