package e2e

import (
	"io"
	"net"
	"sync"
	"sync/atomic"
	"testing"
	"time"
)

// proxy stands between people and the server; a test can cut it off, heal it,
// let requests through and lose their answers, or let them hang.
type proxy struct {
	addr    string
	target  atomic.Value // string
	mu      sync.Mutex
	conns   map[net.Conn]bool
	cutOff  atomic.Bool
	hangs   atomic.Bool  // takes requests and never answers
	swallow atomic.Int64 // answers still to be lost
}

func newProxy(t testing.TB, target string) *proxy {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	p := &proxy{addr: l.Addr().String(), conns: map[net.Conn]bool{}}
	p.target.Store(target)
	t.Cleanup(func() { l.Close(); p.drop() })
	go func() {
		for {
			c, err := l.Accept()
			if err != nil {
				return
			}
			go p.serve(c)
		}
	}()
	return p
}

func (p *proxy) serve(c net.Conn) {
	if p.cutOff.Load() {
		c.Close()
		return
	}
	if p.hangs.Load() {
		p.mu.Lock()
		p.conns[c] = true
		p.mu.Unlock()
		return
	}
	up, err := net.DialTimeout("tcp", p.target.Load().(string), 2*time.Second)
	if err != nil {
		c.Close()
		return
	}
	p.mu.Lock()
	p.conns[c], p.conns[up] = true, true
	p.mu.Unlock()
	done := func() {
		c.Close()
		up.Close()
		p.mu.Lock()
		delete(p.conns, c)
		delete(p.conns, up)
		p.mu.Unlock()
	}
	go func() { io.Copy(up, c); done() }()
	buffer := make([]byte, 32<<10)
	for {
		n, err := up.Read(buffer)
		if n > 0 && p.swallow.Load() > 0 {
			p.swallow.Add(-1)
			done() // the server has done its work; nobody hears of it
			return
		}
		if n > 0 {
			if _, err := c.Write(buffer[:n]); err != nil {
				done()
				return
			}
		}
		if err != nil {
			done()
			return
		}
	}
}

// drop closes all connections there are.
func (p *proxy) drop() {
	p.mu.Lock()
	defer p.mu.Unlock()
	for c := range p.conns {
		c.Close()
	}
}

func (p *proxy) cut()  { p.cutOff.Store(true); p.drop() }
func (p *proxy) hang() { p.hangs.Store(true); p.drop() }
func (p *proxy) heal() { p.cutOff.Store(false) }
func (p *proxy) base() string {
	return "http://" + p.addr
}

func freeAddress(t testing.TB) string {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	return l.Addr().String()
}
