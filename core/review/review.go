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
	Safety     []safety.Finding
	Timeline   schedule.Timeline
	Margin     []Line
	Issuable   bool
}

// Of judges a design.
func Of(d *design.Document) Review {
	r := Review{Validation: design.Validate(d), Safety: safety.Check(d), Timeline: schedule.Plan(d)}
	r.Issuable = !design.HasErrors(r.Validation) && safety.Issuable(r.Safety, d.Way)
	r.Margin = []Line{safetyLine(d, r.Safety), designLine(r.Validation), timeLine(d, r.Timeline), fairLine(d, r.Validation)}
	return r
}

func safetyLine(d *design.Document, findings []safety.Finding) Line {
	l := Line{Topic: "safety", Weight: Fine, Message: text.Message{ID: "review.safety.fine"}}
	worst := safety.Worst(findings)
	for _, f := range findings {
		if f.Verdict != worst {
			continue
		}
		l.Message = f.Why
		if f.Step != "" {
			l.Path = stepPath(d, f.Step)
		} else {
			l.Path = "/hazards"
		}
		break
	}
	jobs := safety.AdultJobs(findings)
	switch {
	case worst == safety.Unanswered:
		l.Weight = Mend
	case worst == safety.NotAtHome:
		l.Weight = Stop
	case len(jobs) > 0:
		l.Weight = Note
		l.Message = text.Message{ID: "review.safety.adult", Args: text.Args{"n": len(jobs)}}
		l.Path = stepPath(d, jobs[0].Step)
	default:
		l.Message, l.Path = text.Message{ID: "review.safety.fine"}, ""
	}
	return l
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
				return Line{Topic: "design", Weight: weights[s], Message: f.Message, Path: f.Path}
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
	if lesson, ok := design.Seconds(d.Lesson); ok && d.Lesson != "" && t.Total > time.Duration(lesson*float64(time.Second)) {
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
	if len(d.Conditions) < 2 {
		return Line{Topic: "fair", Weight: Note, Message: text.Message{ID: "review.fair.one"}, Path: "/conditions"}
	}
	return Line{Topic: "fair", Weight: Fine, Message: text.Message{ID: "review.fair.fine", Args: text.Args{"n": len(d.Conditions), "name": d.Changed.Name}}}
}
