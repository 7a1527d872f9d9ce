// Package shelves writes the larder for those who look something up: things on their
// shelves, jobs, swaps, what never goes together, one thing's card, what a search found,
// and what is asked of a thing of one's own.
//
// It must not know the store or who asks. Start reading at [LarderView].
package shelves
