// Package demo makes up Stonechat Moor School in a snow week: two classes,
// their homes, and the paper-strip experiment at different stages, measured
// by a seeded model with tools and mistakes, with photos drawn by code.
//
// Everything is made through package app, as people would make it, with dates
// relative to the day it runs. It must only touch a database that is empty or
// carries its marker. Start reading at [Seed].
package demo
