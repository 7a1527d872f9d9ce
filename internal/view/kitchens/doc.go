// Package kitchens shapes what homes say of their kitchens and the plans made from it,
// for the phone, the matrix and the grid.
//
// It must not read the store or decide anything: plans are package fit's.
package kitchens
