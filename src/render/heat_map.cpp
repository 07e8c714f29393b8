#include "render/heat_map.h"

#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

#include <limits>

namespace yemvo::render {
namespace {

struct Rgb {
    float r, g, b;
};
Rgb rgb(const QColor& c) { return {c.redF() * 255, c.greenF() * 255, c.blueF() * 255}; }
Rgb mix(Rgb a, Rgb b, float t) { return {a.r + (b.r - a.r) * t, a.g + (b.g - a.g) * t, a.b + (b.b - a.b) * t}; }
float clamp01(float v) { return std::clamp(v, 0.0f, 1.0f); }

/// Four cells round a place and their weights.
struct Quad {
    std::size_t i00, i10, i01, i11;
    float u, v;
};

class Shader {
public:
    Shader(const FloorPrediction& floor, const std::vector<float>& values, const MapChoice& choice, const PlanMap& map,
           const Palette& palette)
        : surface_(floor.surface), shown_(floor.mask->shown), values_(values), info_(lens(choice.lens)),
          threshold_(static_cast<float>(choice.threshold)), map_(map) {
        for (std::size_t i = 0; i < palette.steps.size(); ++i) steps_[i] = rgb(palette.steps[i]);
        for (std::size_t i = 0; i < palette.serving.size(); ++i) serving_[i] = rgb(palette.serving[i]);
        if (info_.is_choice) tints_ = serving_tints(surface_, values_);
        contour_ = rgb(palette.contour);
        contour_alpha_ = static_cast<float>(palette.contour.alphaF());
        hatch_ = rgb(palette.hatch);
        ink_ = rgb(palette.ink);
    }

    void row(int y, int width, QRgb* out) const {
        for (int x = 0; x < width; ++x) {
            const Quad q = quad(x + 0.5, y + 0.5);
            const float alpha = coverage(q);
            if (alpha <= 0) continue;
            const Rgb colour = info_.is_choice ? choice_colour(q, x, y) : amount_colour(q, x, y);
            const auto byte = [&](float c) { return static_cast<int>(std::lround(c * alpha)); };
            out[x] = qRgba(byte(colour.r), byte(colour.g), byte(colour.b), static_cast<int>(std::lround(255 * alpha)));
        }
    }

private:
    Quad quad(double x, double y) const {
        const Point p = map_.to_floor({x, y});
        const double c = (p.x - surface_.origin.x) / surface_.cell_m - 0.5;
        const double r = (p.y - surface_.origin.y) / surface_.cell_m - 0.5;
        const double c0 = std::floor(c), r0 = std::floor(r);
        const auto column = [&](double v) { return static_cast<int>(std::clamp(v, 0.0, surface_.columns - 1.0)); };
        const auto line = [&](double v) { return static_cast<int>(std::clamp(v, 0.0, surface_.rows - 1.0)); };
        const bool outside = c < -0.5 || r < -0.5 || c > surface_.columns - 0.5 || r > surface_.rows - 0.5;
        if (outside) return {npos, npos, npos, npos, 0, 0};
        return {surface_.index(column(c0), line(r0)), surface_.index(column(c0 + 1), line(r0)),
                surface_.index(column(c0), line(r0 + 1)), surface_.index(column(c0 + 1), line(r0 + 1)),
                static_cast<float>(c - c0), static_cast<float>(r - r0)};
    }
    template <class At>
    static float blend(const Quad& q, At at) {
        const float low = at(q.i00) + (at(q.i10) - at(q.i00)) * q.u;
        const float high = at(q.i01) + (at(q.i11) - at(q.i01)) * q.u;
        return low + (high - low) * q.v;
    }
    /// Of this pixel by shown cells, with a soft edge half way between cell centres.
    float coverage(const Quad& q) const {
        if (q.i00 == npos) return 0;
        const int sum = shown_[q.i00] + shown_[q.i10] + shown_[q.i01] + shown_[q.i11];
        if (sum == 0) return 0;
        if (std::isnan(values_[q.i00])) return 0;
        if (sum == 4) return 1;
        const float share = blend(q, [&](std::size_t i) { return static_cast<float>(shown_[i]); });
        const float pixels_per_cell = static_cast<float>(surface_.cell_m * map_.px_per_m);
        return clamp01((share - 0.5f) * pixels_per_cell + 0.5f);
    }
    float value(const Quad& q) const {
        return blend(q, [&](std::size_t i) { return values_[i]; });
    }
    /// Distance of a pixel from the nearest of the 45 degree lines 6 px apart.
    static float hatch_cover(int x, int y) {
        const float phase = static_cast<float>((x + y) % 6);
        const float across = std::min(phase, 6 - phase) * 0.7071f;
        return clamp01(0.55f + 0.5f - across);
    }
    Rgb amount_colour(const Quad& q, int x, int y) const {
        const float v = value(q);
        const float step = static_cast<float>(info_.step), low = static_cast<float>(info_.low);
        const int last = static_cast<int>(steps_.size()) - 1;
        const float scaled = (v - low) / step;
        const float slope = std::max(pixel_slope(q, v), 1e-4f);  // of the value, a pixel
        const float nearest = std::clamp(std::round(scaled), 1.0f, static_cast<float>(last));
        const float from_edge = (scaled - nearest) * step / slope;  // pixels
        const int below = std::clamp(static_cast<int>(nearest) - 1, 0, last);
        const int here = std::clamp(static_cast<int>(std::floor(scaled)), 0, last);
        Rgb colour = std::abs(from_edge) < 0.5f && slope < step
                         ? mix(steps_[static_cast<std::size_t>(below)], steps_[static_cast<std::size_t>(std::min(below + 1, last))], from_edge + 0.5f)
                         : steps_[static_cast<std::size_t>(here)];
        // lines crowd at walls, where the value jumps: they fade there
        const float room = clamp01(2 - 6 * slope / step);
        colour = mix(colour, contour_, contour_alpha_ * room * clamp01(0.9f - std::abs(from_edge)));
        const float short_by = info_.more_is_better ? threshold_ - v : v - threshold_;
        if (short_by > 0) colour = mix(colour, hatch_, 0.55f * hatch_cover(x, y));
        return mix(colour, hatch_, clamp01(1.25f - std::abs(short_by) / slope) * clamp01(2.5f - 6 * slope / step));
    }
    float pixel_slope(const Quad& q, float v) const {
        const float per_pixel = static_cast<float>(1 / (surface_.cell_m * map_.px_per_m));
        const Quad right{q.i00, q.i10, q.i01, q.i11, q.u < 0.5f ? q.u + 0.25f : q.u - 0.25f, q.v};
        const Quad up{q.i00, q.i10, q.i01, q.i11, q.u, q.v < 0.5f ? q.v + 0.25f : q.v - 0.25f};
        return std::hypot(value(right) - v, value(up) - v) * 4 * per_pixel;
    }
    int strongest_number(const Quad& q) const {
        const std::array<std::pair<std::size_t, float>, 4> corners{{{q.i00, (1 - q.u) * (1 - q.v)},
                                                                   {q.i10, q.u * (1 - q.v)},
                                                                   {q.i01, (1 - q.u) * q.v},
                                                                   {q.i11, q.u * q.v}}};
        float best = -1, number = 0;
        for (const auto& [index, weight] : corners) {
            float sum = 0;
            for (const auto& [other, share] : corners)
                if (values_[other] == values_[index]) sum += share;
            if (sum > best) {
                best = sum;
                number = values_[index];
            }
        }
        return static_cast<int>(number);
    }
    Rgb choice_colour(const Quad& q, int x, int y) const {
        const int number = strongest_number(q);
        const Rgb colour = serving_[tints_.at(number)];
        for (const auto& [dx, dy] : {std::pair{1, 0}, {0, 1}}) {
            const Quad beside = quad(x + 0.5 + dx, y + 0.5 + dy);
            if (beside.i00 != npos && strongest_number(beside) != number) return mix(colour, ink_, 0.55f);
        }
        return colour;
    }

    static constexpr std::size_t npos = std::numeric_limits<std::size_t>::max();
    const Surface& surface_;
    const std::vector<std::uint8_t>& shown_;
    const std::vector<float>& values_;
    const LensInfo& info_;
    float threshold_;
    const PlanMap& map_;
    std::array<Rgb, 12> steps_;
    std::array<Rgb, 6> serving_;
    std::map<int, std::size_t> tints_;
    Rgb contour_, hatch_, ink_;
    float contour_alpha_;
};

}  // namespace

QColor step_colour(const Palette& palette, const LensInfo& info, double value) {
    const double index = std::floor((value - info.low) / info.step);
    return palette.steps[static_cast<std::size_t>(std::clamp(index, 0.0, palette.steps.size() - 1.0))];
}

std::map<int, std::size_t> serving_tints(const Surface& surface, const std::vector<float>& values) {
    std::map<int, std::map<int, int>> borders;  // number, neighbour, length of border in cells
    const auto meet = [&](std::size_t a, std::size_t b) {
        if (values[a] == values[b] || std::isnan(values[a]) || std::isnan(values[b])) return;
        ++borders[static_cast<int>(values[a])][static_cast<int>(values[b])];
        ++borders[static_cast<int>(values[b])][static_cast<int>(values[a])];
    };
    for (float v : values)
        if (!std::isnan(v)) borders[static_cast<int>(v)];
    for (int r = 0; r < surface.rows; ++r)
        for (int c = 0; c < surface.columns; ++c) {
            if (c + 1 < surface.columns) meet(surface.index(c, r), surface.index(c + 1, r));
            if (r + 1 < surface.rows) meet(surface.index(c, r), surface.index(c, r + 1));
        }
    std::map<int, std::size_t> tints;
    for (const auto& [number, neighbours] : borders) {
        std::array<int, 6> taken{};
        for (const auto& [other, cells] : neighbours)
            if (const auto t = tints.find(other); t != tints.end()) taken[t->second] += cells;
        // the least shared border; among equals the tint its number would have anyway
        std::size_t best = static_cast<std::size_t>(number) % taken.size();
        for (std::size_t t = 0; t < taken.size(); ++t)
            if (taken[t] < taken[best]) best = t;
        tints[number] = best;
    }
    return tints;
}

QImage paint_heat_map(const FloorPrediction& floor, const std::vector<float>& values, const MapChoice& choice,
                      const PlanMap& map, QSize size, const Palette& palette) {
    QImage image(size, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    if (floor.surface.cells() == 0 || values.size() != floor.surface.cells()) return image;
    const Shader shader(floor, values, choice, map, palette);
    const QRectF area = map.to_screen(floor.surface.box()).intersected(QRectF(QPointF(0, 0), QSizeF(size)));
    const int top = static_cast<int>(std::floor(area.top())), bottom = static_cast<int>(std::ceil(area.bottom()));
    uchar* bits = image.bits();
    const auto stride = image.bytesPerLine();
    tbb::parallel_for(tbb::blocked_range<int>(std::max(top, 0), std::min(bottom, size.height()), 16),
                      [&](const tbb::blocked_range<int>& rows) {
                          for (int y = rows.begin(); y < rows.end(); ++y)
                              shader.row(y, size.width(), reinterpret_cast<QRgb*>(bits + y * stride));
                      });
    return image;
}

}  // namespace yemvo::render
