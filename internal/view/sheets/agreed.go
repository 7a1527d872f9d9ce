package sheets

import (
	"crypto/sha256"
	"encoding/json"
	"slices"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
)

// PermissionSha stands for all that a guardian agreed to: the hazards and
// adult jobs by step. When one of them rises it changes, and an older
// permission no longer holds.
func PermissionSha(d *design.Document) []byte {
	type hazard struct {
		Rule, Case string
		Steps      []string
		Materials  []string
		Verdict    safety.Verdict
		Lowered    safety.Verdict
	}
	var all []hazard
	for _, f := range safety.Check(d) {
		all = append(all, hazard{f.Rule, f.Case, f.Steps, f.Materials, f.Verdict, f.Was})
	}
	raw, _ := json.Marshal(all)
	sum := sha256.Sum256(raw)
	return sum[:]
}

// PermissionView is where a home's permission stands.
type PermissionView struct {
	State    string     `json:"state" enum:"asked,granted,declined,withdrawn,lapsed,watching" doc:"watching: the experiment is only shown, and asks for none"`
	Guardian string     `json:"guardian,omitempty"`
	Photos   bool       `json:"photos"`
	Gallery  bool       `json:"gallery"`
	At       *time.Time `json:"at,omitempty"`
	TextSha  string     `json:"text_sha"`
	Without  []string   `json:"without,omitempty" doc:"Ids of short activities that were not agreed to: the home watches them"`
}

// In is the permission as it stands in one of the short activities; "" is none of them.
func (p PermissionView) In(activity string) PermissionView {
	if p.State == "granted" && activity != "" && slices.Contains(p.Without, activity) {
		p.State = "declined"
	}
	return p
}
