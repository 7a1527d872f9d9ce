package media

import "encoding/binary"

// orientation reads the EXIF orientation, 1 to 8, from a JPEG file; 1 where
// there is none or it cannot be read. Nothing else of the metadata is looked at.
func orientation(jpeg []byte) int {
	for at := 2; at+4 <= len(jpeg) && jpeg[at] == 0xFF; {
		marker := jpeg[at+1]
		size := int(binary.BigEndian.Uint16(jpeg[at+2:]))
		if size < 2 || at+2+size > len(jpeg) || marker == 0xDA {
			return 1
		}
		segment := jpeg[at+4 : at+2+size]
		if marker == 0xE1 && len(segment) > 6 && string(segment[:6]) == "Exif\x00\x00" {
			return tiffOrientation(segment[6:])
		}
		at += 2 + size
	}
	return 1
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
