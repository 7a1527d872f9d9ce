// Package detect will answer whether these kitchens could see the effect an
// experiment expects, for one home and for the class.
//
// It must not look at measured values: it judges a design before it is issued.
package detect
