// Package rehearsal will run a class through an experiment by a seeded
// simulation and say what the class would find.
//
// It must take its random numbers from the caller and never from a clock.
package rehearsal
