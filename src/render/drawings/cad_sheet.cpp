// SPDX-License-Identifier: GPL-3.0-or-later
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "exchange/dxf_reader.h"
#include "render/drawings/sheet.h"
#include "render/text_style.h"

namespace yemvo::render {
namespace {

const QColor line_ink(0x6B, 0x7A, 0x8D), text_ink(0x5E, 0x6C, 0x80);
constexpr double line_px = 0.9, least_text_px = 5, most_text_px = 400;

class CadSheet : public Sheet {
public:
    explicit CadSheet(CadDrawing drawing) : drawing_(std::move(drawing)) {
        std::optional<Box> all = shown_box(drawing_, hidden_in_file(drawing_));
        if (!all) all = shown_box(drawing_, {});
        // a drawing of one straight line has no height of its own
        const double least = std::max(std::max(all->width(), all->height()) * 0.01, 1e-9);
        if (all->width() < least) all = Box{all->low - Point{least, 0}, all->high + Point{least, 0}};
        if (all->height() < least) all = Box{all->low - Point{0, least}, all->high + Point{0, least}};
        box_ = {{all->low.x, -all->high.y}, {all->high.x, -all->low.y}};
    }
    Box box() const override { return box_; }
    const CadDrawing* cad() const override { return &drawing_; }
    std::size_t bytes() const override {
        std::size_t sum = drawing_.lines.size() * sizeof(CadLine) + drawing_.arcs.size() * sizeof(CadArc) +
                          drawing_.texts.size() * (sizeof(CadText) + 24);
        for (const CadCurve& c : drawing_.curves) sum += sizeof(CadCurve) + c.points.size() * sizeof(Point);
        return sum;
    }
    std::vector<Said> left_out() const override {
        std::vector<Said> told;
        for (const CadSkipped& s : drawing_.skipped)
            told.push_back(say("%1 x %2: %3", s.count, s.what, s.why));
        return told;
    }

    void paint(QPainter& p, const QTransform& to_px, const QRectF& visible,
               const std::vector<std::string>& hidden, const CancelToken& cancel) const override {
        // coordinates may be millions of metres from zero: mapped by hand, in double, before they are painted
        const auto px = [&](Point c) { return to_px.map(QPointF(c.x, -c.y)); };
        const double zoom = std::sqrt(std::abs(to_px.determinant()));
        const QRectF seen = visible.adjusted(-4, -4, 4, 4);
        const auto shown = shown_layers(drawing_, hidden);
        p.resetTransform();
        p.setRenderHint(QPainter::Antialiasing);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(line_ink, line_px, Qt::SolidLine, Qt::FlatCap));
        QList<QLineF> batch;
        std::size_t count = 0;
        const auto draw = [&](QPointF a, QPointF b) {
            if (std::max(a.x(), b.x()) < seen.left() || std::min(a.x(), b.x()) > seen.right() ||
                std::max(a.y(), b.y()) < seen.top() || std::min(a.y(), b.y()) > seen.bottom())
                return;
            if (const auto cut = inside(a, b, seen)) batch.push_back(*cut);
        };
        const auto draw_run = [&](const std::vector<Point>& run) {
            QPointF last = px(run.front());
            for (std::size_t i = 1; i < run.size(); ++i) {
                const QPointF next = px(run[i]);
                draw(last, next);
                last = next;
            }
        };
        for (const CadLine& l : drawing_.lines) {
            if (++count % 8192 == 0) cancel.check();
            if (is_shown(l, shown)) draw(px(l.a), px(l.b));
        }
        for (const CadArc& a : drawing_.arcs) {
            if (++count % 8192 == 0) cancel.check();
            if (!is_shown(a, shown)) continue;
            const Box b = bounds(a);
            if (!QRectF(px({b.low.x, b.high.y}), px({b.high.x, b.low.y}))
                     .normalized()
                     .adjusted(-1, -1, 1, 1)
                     .intersects(seen) &&
                to_px.m12() == 0)
                continue;
            draw_run(flattened(a, 0.2 / zoom));
        }
        for (const CadCurve& c : drawing_.curves)
            if (is_shown(c, shown)) draw_run(c.points);
        p.drawLines(batch);
        p.setPen(text_ink);
        for (const CadText& t : drawing_.texts) {
            if (++count % 1024 == 0) cancel.check();
            if (is_shown(t, shown)) paint_text(p, t, px(t.at), zoom, to_px, seen);
        }
    }

private:
    /// The part of a line within a rectangle: a painter fed with far-off ends goes wrong.
    static std::optional<QLineF> inside(QPointF a, QPointF b, const QRectF& r) {
        double from = 0, to = 1;
        const QPointF way = b - a;
        const auto cut = [&](double along, double gap_low, double gap_high) {
            if (along == 0) return gap_low <= 0 && gap_high >= 0;
            double t0 = gap_low / along, t1 = gap_high / along;
            if (t0 > t1) std::swap(t0, t1);
            from = std::max(from, t0);
            to = std::min(to, t1);
            return from <= to;
        };
        if (!cut(way.x(), r.left() - a.x(), r.right() - a.x()) ||
            !cut(way.y(), r.top() - a.y(), r.bottom() - a.y()))
            return std::nullopt;
        return QLineF(a + way * from, a + way * to);
    }

    static void paint_text(QPainter& p, const CadText& t, QPointF at, double zoom, const QTransform& to_px,
                           const QRectF& seen) {
        const double height = t.height * zoom;
        if (height < least_text_px || height > most_text_px) return;
        if (!seen.adjusted(-2000, -400, 2000, 400).contains(at)) return;
        // capitals are as high as the text is said to be
        constexpr double capital_share = 0.72;
        QFont f = font(10);
        f.setPixelSize(std::max(1, static_cast<int>(std::lround(height / capital_share))));
        const QFontMetricsF m(f);
        const QStringList lines = QString::fromStdString(t.words).split(QLatin1Char('\n'));
        const double line_height = height * 1.6;
        const double block = height + line_height * static_cast<double>(lines.size() - 1);
        const double sheet_turn = std::atan2(to_px.m12(), to_px.m11()) * 180 / 3.14159265358979;
        p.save();
        p.setFont(f);
        p.translate(at);
        p.rotate(sheet_turn - t.turn_deg);
        double y = height - block * (1 - t.align_y);
        for (const QString& line : lines) {
            p.drawText(QPointF(-m.horizontalAdvance(line) * t.align_x, y), line);
            y += line_height;
        }
        p.restore();
    }

    CadDrawing drawing_;
    Box box_;
};

}  // namespace

std::shared_ptr<const Sheet> open_cad(const Bytes& bytes, const std::string& name,
                                      const CancelToken& cancel) {
    try {
        return std::make_shared<CadSheet>(read_dxf(bytes, name, cancel));
    } catch (const std::bad_alloc&) {
        throw Error(say("needs more memory than there is"), name, say("Export it with fewer layers"));
    }
}

}  // namespace yemvo::render
