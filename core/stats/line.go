package stats

import "math"

// LineFit is a least-squares line y = Intercept + Slope·x of n points, of which
// only y scatters, by the same amount everywhere.
type LineFit struct {
	N                    int
	Slope, Intercept     float64
	SlopeSE, InterceptSE float64
	R2                   float64
	ResidualSD           float64 // n − 2
	Residuals            []float64
	T                    float64 // Student's quantile for 95 % intervals; 0 below three points
	MeanX, SXX, SYY      float64
	LowX, HighX          float64 // range of the data
}

// FitLine fits a straight line. Errors of slope and intercept need three
// points; with two they are 0. It fails with ErrLengths, ErrFew (below two
// points) or ErrAllSame (all x equal).
func FitLine(x, y []float64) (LineFit, error) {
	if len(x) != len(y) {
		return LineFit{}, ErrLengths
	}
	if len(x) < 2 {
		return LineFit{}, ErrFew
	}
	n := float64(len(x))
	l := LineFit{N: len(x), LowX: x[0], HighX: x[0]}
	meanY := 0.0
	for i := range x {
		l.MeanX += x[i] / n
		meanY += y[i] / n
		l.LowX, l.HighX = math.Min(l.LowX, x[i]), math.Max(l.HighX, x[i])
	}
	sxy := 0.0
	for i := range x {
		dx, dy := x[i]-l.MeanX, y[i]-meanY
		l.SXX += dx * dx
		l.SYY += dy * dy
		sxy += dx * dy
	}
	if l.SXX == 0 {
		return LineFit{}, ErrAllSame
	}
	l.Slope = sxy / l.SXX
	l.Intercept = meanY - l.Slope*l.MeanX
	sse := 0.0
	l.Residuals = make([]float64, len(x))
	for i := range x {
		r := y[i] - meanY - l.Slope*(x[i]-l.MeanX)
		l.Residuals[i] = r
		sse += r * r
	}
	if l.SYY > 0 {
		l.R2 = 1 - sse/l.SYY
	}
	if len(x) > 2 {
		l.ResidualSD = math.Sqrt(sse / (n - 2))
		l.SlopeSE = l.ResidualSD / math.Sqrt(l.SXX)
		l.InterceptSE = l.ResidualSD * math.Sqrt(1/n+l.MeanX*l.MeanX/l.SXX)
		l.T = student(n - 2).Quantile(0.975)
	}
	return l, nil
}

// At is the line's value at x with the standard error of the line there, not
// of one new reading.
func (l LineFit) At(x float64) (y, se float64) {
	return l.Intercept + l.Slope*x, l.ResidualSD * math.Sqrt(1/float64(l.N)+(x-l.MeanX)*(x-l.MeanX)/l.SXX)
}

// Crossing is where the line passes zero, with its standard error by the delta
// method (too small when the slope is less than about five of its own standard
// errors away from zero), and whether that lies outside the data. ok is false
// for a level line.
func (l LineFit) Crossing() (x, se float64, outside, ok bool) {
	if l.Slope == 0 {
		return 0, 0, false, false
	}
	x = -l.Intercept / l.Slope
	_, at := l.At(x)
	return x, at / math.Abs(l.Slope), x < l.LowX || x > l.HighX, true
}

// Test asks whether the slope differs from zero. It fails with ErrFew below
// three points and ErrNoScatter when all lie on the line.
func (l LineFit) Test(c Claim) (Result, error) {
	if l.N < 3 {
		return Result{}, ErrFew
	}
	f, err := difference(SlopeTest, l.N, l.Slope, l.SlopeSE, float64(l.N-2), c)
	if err == nil && l.bends() {
		f.Doubts = append(f.Doubts, doubt("bends", nil))
	}
	return f, err
}

// bends looks for residuals that keep to one side in long runs (the runs test
// of Wald and Wolfowitz, normal approximation, one-sided at about 2.5 %).
func (l LineFit) bends() bool {
	if l.N < 8 {
		return false
	}
	up, down, runs, last := 0.0, 0.0, 0.0, 0
	for _, r := range l.Residuals {
		side := 1
		if r < 0 {
			side = -1
			down++
		} else {
			up++
		}
		if side != last {
			runs++
		}
		last = side
	}
	n := up + down
	mean := 2*up*down/n + 1
	variance := (mean - 1) * (mean - 2) / (n - 1)
	return variance > 0 && (runs-mean)/math.Sqrt(variance) < -1.96
}

// Cooling is a fit of Newton's law, T = ambient + A·exp(−k·t), by a straight
// line through ln|T − ambient|.
type Cooling struct {
	K, KSE        float64 // per unit of time
	Half, HalfSE  float64 // ln 2/k, in the unit of time; its error to first order
	ambient, side float64
	line          LineFit
}

// FitCooling fits temperatures at times in a room of the temperature ambient.
// It fails with ErrLengths, ErrFew, ErrAllSame (equal times), or a
// *CoolingError that names the reading.
func FitCooling(times, temperatures []float64, ambient float64) (Cooling, error) {
	if len(temperatures) < 2 {
		return Cooling{}, ErrFew
	}
	side := math.Copysign(1, temperatures[0]-ambient)
	logs := make([]float64, len(temperatures))
	for i, t := range temperatures {
		if side*(t-ambient) <= 0 {
			return Cooling{}, &CoolingError{i, "all have to lie above the room's temperature, or all below"}
		}
		logs[i] = math.Log(math.Abs(t - ambient))
	}
	l, err := FitLine(times, logs)
	if err != nil {
		return Cooling{}, err
	}
	c := Cooling{K: -l.Slope, KSE: l.SlopeSE, ambient: ambient, side: side, line: l}
	if c.K <= 0 {
		return Cooling{}, &CoolingError{-1, "move away from the room's temperature"}
	}
	c.Half = math.Ln2 / c.K
	c.HalfSE = c.Half * c.KSE / c.K
	return c, nil
}

// CoolingError says which reading does not cool; Reading is −1 for all of them.
type CoolingError struct {
	Reading int
	Message string
}

func (e *CoolingError) Error() string { return e.Message }

// At is the temperature at a time with its standard error by the delta method.
func (c Cooling) At(t float64) (temperature, se float64) {
	log, logSE := c.line.At(t)
	away := math.Exp(log)
	return c.ambient + c.side*away, away * logSE
}

// Interval is the 95 % interval of the half-time; open at the top (+Inf) when
// the readings do not rule out that it does not cool at all. ok is false below
// three readings.
func (c Cooling) Interval() (low, high float64, ok bool) {
	if c.line.T == 0 {
		return 0, 0, false
	}
	half := c.line.T * c.KSE
	low, high = math.Ln2/(c.K+half), math.Inf(1)
	if c.K > half {
		high = math.Ln2 / (c.K - half)
	}
	return low, high, true
}
