package media

import (
	"bytes"
	"encoding/binary"
)

// orientation reads the EXIF orientation, 1 to 8, of a file of a format; 1
// where there is none or it cannot be read. Nothing else of the metadata is
// looked at.
func orientation(format string, file []byte) int {
	turn := 1
	switch format {
	case "jpeg":
		segments(file, func(marker byte, segment []byte) bool {
			if marker == 0xE1 && len(segment) > 6 && string(segment[:6]) == "Exif\x00\x00" {
				turn = tiffOrientation(segment[6:])
				return false
			}
			return marker != 0xDA
		})
	case "png":
		for at := 8; at+12 <= len(file); {
			size := int64(binary.BigEndian.Uint32(file[at:]))
			if size > int64(len(file)-at-12) {
				return 1
			}
			if string(file[at+4:at+8]) == "eXIf" {
				return tiffOrientation(file[at+8 : at+8+int(size)])
			}
			at += 12 + int(size)
		}
	case "webp":
		for at := 12; at+8 <= len(file); {
			size := int64(binary.LittleEndian.Uint32(file[at+4:]))
			if size > int64(len(file)-at-8) {
				return 1
			}
			if string(file[at:at+4]) == "EXIF" {
				return tiffOrientation(bytes.TrimPrefix(file[at+8:at+8+int(size)], []byte("Exif\x00\x00")))
			}
			at += 8 + int(size+size&1)
		}
	}
	return turn
}

// segments walks the segments of a JPEG file until one is not wanted or the
// file ends, scans and their data included.
func segments(jpeg []byte, each func(marker byte, segment []byte) bool) {
	for at := 2; at+4 <= len(jpeg); {
		if jpeg[at] != 0xFF || jpeg[at+1] == 0 || jpeg[at+1] == 0xFF || jpeg[at+1] >= 0xD0 && jpeg[at+1] <= 0xD7 {
			at++ // the data of a scan, or filling
			continue
		}
		marker, size := jpeg[at+1], int(binary.BigEndian.Uint16(jpeg[at+2:]))
		if marker == 0xD9 || size < 2 || at+2+size > len(jpeg) || !each(marker, jpeg[at+4:at+2+size]) {
			return
		}
		at += 2 + size
	}
}

// scansOf counts the scans of a JPEG file: of a progressive one each goes over
// the whole picture, however little it holds.
func scansOf(jpeg []byte) (progressive bool, scans int) {
	segments(jpeg, func(marker byte, _ []byte) bool {
		progressive = progressive || marker == 0xC2
		if marker == 0xDA {
			scans++
		}
		return true
	})
	return progressive, scans
}

func tiffOrientation(tiff []byte) int {
	if len(tiff) < 8 {
		return 1
	}
	var order binary.ByteOrder = binary.LittleEndian
	if tiff[0] == 'M' {
		order = binary.BigEndian
	}
	first := int64(order.Uint32(tiff[4:]))
	if first < 8 || first+2 > int64(len(tiff)) {
		return 1
	}
	n := int64(order.Uint16(tiff[first:]))
	for i := range n {
		at := first + 2 + 12*i
		if at+12 > int64(len(tiff)) {
			return 1
		}
		if order.Uint16(tiff[at:]) == 0x0112 {
			if v := int(order.Uint16(tiff[at+8:])); v >= 1 && v <= 8 {
				return v
			}
			return 1
		}
	}
	return 1
}
