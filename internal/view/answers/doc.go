// Package answers answers the Workbench's questions: what is typed beside a model is read,
// worked out, held against what the model means, and said in the reader's language.
//
// It must not know designs, the store or who asks. Start reading at [Compute].
package answers
