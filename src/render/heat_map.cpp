// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/heat_map.h"

#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

#include <limits>
#include <optional>

#include "render/heat_kernels.h"

namespace yemvo::render {
namespace {

struct Rgb {
    float r, g, b;
};
Rgb rgb(const QColor& c) { return {c.redF() * 255, c.greenF() * 255, c.blueF() * 255}; }
Rgb mix(Rgb a, Rgb b, float t) {
    return {a.r + (b.r - a.r) * t, a.g + (b.g - a.g) * t, a.b + (b.b - a.b) * t};
}
float clamp01(float v) { return std::clamp(v, 0.0f, 1.0f); }

/// Where a row or column of pixels lies between two rows or columns of cell centres.
struct Between {
    int low = 0, high = 0;  ///< cells; the same at the rim
    float share = 0;        ///< of the way from low to high
    bool inside = false;    ///< of the surface
};

Between between(double at, int count) {
    const double low = std::floor(at);
    const auto held = [&](double v) { return static_cast<int>(std::clamp(v, 0.0, count - 1.0)); };
    return {held(low), held(low + 1), static_cast<float>(at - low), at >= -0.5 && at <= count - 0.5};
}

/// The four cells round a pixel.
struct Quad {
    std::size_t i00, i10, i01, i11;
    float u, v;
};

class Shader {
public:
    Shader(const FloorPrediction& floor, const std::vector<float>& values, const MapChoice& choice,
           const PlanMap& map, QSize size, const Palette& palette, bool plainly)
        : surface_(floor.surface),
          shown_(floor.mask->shown),
          values_(values),
          info_(scale_of(choice)),
          threshold_(static_cast<float>(info_.threshold)),
          step_(static_cast<float>(info_.step)),
          low_(static_cast<float>(info_.low)),
          steps_per_unit_(1 / step_),
          pixels_per_cell_(static_cast<float>(floor.surface.cell_m * map.px_per_m)),
          cells_per_pixel_(1 / pixels_per_cell_) {
        // the light end of the palette is the good one
        for (int i = 0; i < info_.steps; ++i)
            steps_[static_cast<std::size_t>(i)] = rgb(info_.colour(palette, i));
        last_ = static_cast<float>(info_.steps - 1);
        smooth_ = choice.smooth;
        opacity_ = static_cast<float>(choice.opacity);
        if (info_.is_choice) {
            const auto colours = choice_colours(choice.lens, surface_, values_, palette);
            for (const auto& [number, colour] : colours) tints_[number] = rgb(colour);
        }
        contour_ = rgb(palette.contour);
        contour_alpha_ = static_cast<float>(palette.contour.alphaF());
        hatch_ = rgb(palette.hatch);
        ink_ = rgb(palette.ink);
        for (int x = 0; x <= size.width(); ++x)
            columns_.push_back(
                between((map.to_floor({x + 0.5, 0}).x - surface_.origin.x) / surface_.cell_m - 0.5,
                        surface_.columns));
        for (int x = 0; x < size.width(); ++x) {
            const Between& c = columns_[static_cast<std::size_t>(x)];
            if (!c.inside) continue;
            const std::size_t part = part_index(c);
            if (!parts_px_.empty() && parts_px_.back().part == part && parts_px_.back().to == x)
                ++parts_px_.back().to;
            else
                parts_px_.push_back({x, x + 1, part});
        }
        for (int y = 0; y <= size.height(); ++y)
            rows_.push_back(between(
                (map.to_floor({0, y + 0.5}).y - surface_.origin.y) / surface_.cell_m - 0.5, surface_.rows));
        for (int i = 0; i < 6; ++i) {
            const float across =
                static_cast<float>(std::min(i, 6 - i)) * 0.7071f;  // from the nearest line, 6 px apart
            hatch_cover_[static_cast<std::size_t>(i)] = 0.55f * clamp01(1.05f - across);
        }
        if (!plainly && !info_.is_choice && !info_.is_count) prepare_kernel(palette);
    }

    /// What lies between four cells of one step on one side of the threshold needs no shading pixel by pixel.
    struct Flat {
        bool is = false, hatched = false;
        bool whole = false;  ///< all four shown and with values
        QRgb plain = 0;
        std::array<QRgb, 6> hatch{};
    };
    /// A stretch of a row of pixels, and how it is painted.
    enum class Way { flat, kernel, one_by_one };
    struct Stretch {
        int from, to;
        std::size_t part;
        Way how = Way::flat;
    };
    /// The flat parts between two rows of cells, kept while pixel rows pass between them.
    struct FlatRow {
        int low = -1, high = -1;
        std::vector<Flat> parts;  ///< one between each two columns, and one at each rim
        std::vector<Stretch> stretches;
        std::vector<float> value, rise;  ///< of each column in the row of pixels at hand, for the kernel
    };

    void row(int y, QRgb* out, FlatRow& kept) const {
        const Between& r = rows_[static_cast<std::size_t>(y)];
        if (!r.inside) return;
        if (kept.low != r.low || kept.high != r.high) {
            keep_flat_parts(kept, r);
            keep_stretches(kept);
        }
        if (look_) interpolate(kept, r);
        for (const Stretch& s : kept.stretches) {
            if (s.how == Way::kernel) {
                kernels::shade(*look_,
                               {kept.value.data(), kept.rise.data(), column_low_.data(), column_high_.data(),
                                column_share_.data(), y},
                               s.from, s.to, out);
            } else if (s.how == Way::flat) {
                const Flat& flat = kept.parts[s.part];
                if (flat.hatched)
                    for (int x = s.from; x < s.to; ++x)
                        out[x] = flat.hatch[static_cast<std::size_t>((x + y) % 6)];
                else
                    std::fill(out + s.from, out + s.to, flat.plain);
            } else {
                for (int x = s.from; x < s.to; ++x) shade(x, y, out[x]);
            }
        }
    }

private:
    void shade(int x, int y, QRgb& out) const {
        Quad q = quad(x, y);
        if (has_gap(q)) q = nearest_alone(q);
        const float alpha = coverage(q) * opacity_;
        if (alpha <= 0) return;
        const Rgb colour = info_.is_choice  ? choice_colour(q, x, y)
                           : info_.is_count ? count_colour(q, x, y)
                                            : amount_colour(q, x, y);
        out = qRgba(static_cast<int>(colour.r * alpha + 0.5f), static_cast<int>(colour.g * alpha + 0.5f),
                    static_cast<int>(colour.b * alpha + 0.5f), static_cast<int>(255 * alpha + 0.5f));
    }
    /// Short flat stretches beside what the kernel paints are left to it: they would only break it up.
    void keep_stretches(FlatRow& kept) const {
        constexpr int long_stretch = 24;
        std::vector<Stretch>& all = kept.stretches;
        all.clear();
        for (const Stretch& of : parts_px_) {
            const Flat& part = kept.parts[of.part];
            all.push_back(of);
            all.back().how = part.is ? Way::flat : look_ && part.whole ? Way::kernel : Way::one_by_one;
        }
        if (!look_) return;
        const auto is_kernel = [&](std::size_t i) { return i < all.size() && all[i].how == Way::kernel; };
        for (std::size_t i = 0; i < all.size();) {
            std::size_t end = i;
            while (end < all.size() && all[end].how == Way::flat) ++end;
            if (end > i && all[end - 1].to - all[i].from < long_stretch &&
                (is_kernel(i - 1) || is_kernel(end)))
                for (std::size_t k = i; k < end; ++k) all[k].how = Way::kernel;
            i = end + 1;
        }
        std::size_t last = 0;
        for (std::size_t i = 1; i < all.size(); ++i) {
            if (is_kernel(i) && is_kernel(last) && all[last].to == all[i].from)
                all[last].to = all[i].to;
            else
                all[++last] = all[i];
        }
        if (!all.empty()) all.resize(last + 1);
    }
    void prepare_kernel(const Palette& palette) {
        const auto packed = [](const QColor& c) { return c.rgb() & 0xffffff; };
        kernels::AmountLook& look = look_.emplace();
        for (int i = 0; i < info_.steps; ++i)
            look.steps[static_cast<std::size_t>(i)] = packed(info_.colour(palette, i));
        for (std::size_t i = 0; i < look.hatch_cover.size(); ++i) look.hatch_cover[i] = hatch_cover_[i % 6];
        look.contour = packed(palette.contour);
        look.contour_alpha = contour_alpha_;
        look.hatch = packed(palette.hatch);
        look.opacity = opacity_;
        look.low = low_;
        look.step = step_;
        look.last = last_;
        look.threshold = threshold_;
        look.cells_per_pixel = cells_per_pixel_;
        look.more_is_better = info_.more_is_better;
        look.smooth = smooth_;
        for (const Between& c : columns_) {
            column_low_.push_back(c.low);
            column_high_.push_back(c.high);
            column_share_.push_back(c.share);
        }
        const std::size_t padded = columns_.size() + kernels::AmountLook::longest_register;
        column_low_.resize(padded);
        column_high_.resize(padded);
        column_share_.resize(padded);
    }
    /// Down the columns: what is left to do for a pixel lies along the row.
    void interpolate(FlatRow& kept, const Between& r) const {
        const auto columns = static_cast<std::size_t>(surface_.columns);
        kept.value.resize(columns);
        kept.rise.resize(columns);
        const float* low = values_.data() + surface_.index(0, r.low);
        const float* high = values_.data() + surface_.index(0, r.high);
        for (std::size_t c = 0; c < columns; ++c) {
            kept.rise[c] = high[c] - low[c];
            kept.value[c] = low[c] + kept.rise[c] * r.share;
        }
    }
    /// Which gap between columns: 0 before the first, then one after each.
    std::size_t part_index(const Between& c) const {
        if (c.high > c.low) return static_cast<std::size_t>(c.low) + 1;
        return c.low == 0 ? 0 : static_cast<std::size_t>(surface_.columns);
    }
    void keep_flat_parts(FlatRow& kept, const Between& r) const {
        kept.low = r.low;
        kept.high = r.high;
        kept.parts.clear();
        for (int i = 0; i <= surface_.columns; ++i)
            kept.parts.push_back(
                flat_part(quad({std::max(i - 1, 0), std::min(i, surface_.columns - 1), 0, true}, r)));
    }
    Flat flat_part(const Quad& q) const {
        Flat f;
        f.whole = shown_[q.i00] + shown_[q.i10] + shown_[q.i01] + shown_[q.i11] == 4 && !has_gap(q);
        if (!f.whole || smooth_ || opacity_ < 1 || info_.is_choice) return f;
        const auto [low, high] =
            std::minmax({values_[q.i00], values_[q.i10], values_[q.i01], values_[q.i11]});
        const float rim = 2 * (high - low) * cells_per_pixel_ + 1e-3f;  // as far as a line's softness reaches
        const float from = (low - rim - low_) * steps_per_unit_, to = (high + rim - low_) * steps_per_unit_;
        const auto step_of = [&](float scaled) {
            return static_cast<std::size_t>(std::clamp(scaled, 0.0f, last_));
        };
        if (step_of(from) != step_of(to) || (threshold_ >= low - rim && threshold_ <= high + rim)) return f;
        const Rgb c = steps_[step_of(from)];
        f.is = true;
        f.hatched = info_.more_is_better ? threshold_ > high : threshold_ < low;
        f.plain = opaque(c);
        if (f.hatched)
            for (std::size_t i = 0; i < 6; ++i) f.hatch[i] = opaque(mix(c, hatch_, hatch_cover_[i]));
        return f;
    }
    static QRgb opaque(const Rgb& c) {
        return qRgb(static_cast<int>(c.r + 0.5f), static_cast<int>(c.g + 0.5f), static_cast<int>(c.b + 0.5f));
    }
    Quad quad(const Between& c, const Between& r) const {
        return {surface_.index(c.low, r.low),
                surface_.index(c.high, r.low),
                surface_.index(c.low, r.high),
                surface_.index(c.high, r.high),
                c.share,
                r.share};
    }
    Quad quad(int x, int y) const {
        return quad(columns_[static_cast<std::size_t>(x)], rows_[static_cast<std::size_t>(y)]);
    }
    bool has_gap(const Quad& q) const {
        return std::isnan(values_[q.i00] + values_[q.i10] + values_[q.i01] + values_[q.i11]);
    }
    static std::size_t nearest(const Quad& q) {
        return q.v < 0.5f ? (q.u < 0.5f ? q.i00 : q.i10) : (q.u < 0.5f ? q.i01 : q.i11);
    }
    /// Where a cell has no value there is nothing to interpolate with.
    static Quad nearest_alone(const Quad& q) {
        const std::size_t at = nearest(q);
        return {at, at, at, at, q.u, q.v};
    }
    /// Of this pixel by shown cells, with a soft edge half way between cell centres.
    float coverage(const Quad& q) const {
        const int sum = shown_[q.i00] + shown_[q.i10] + shown_[q.i01] + shown_[q.i11];
        if (sum == 0 || std::isnan(values_[q.i00])) return 0;
        if (sum == 4) return 1;
        const auto at = [&](std::size_t i) { return static_cast<float>(shown_[i]); };
        const float low = at(q.i00) + (at(q.i10) - at(q.i00)) * q.u,
                    high = at(q.i01) + (at(q.i11) - at(q.i01)) * q.u;
        return clamp01((low + (high - low) * q.v - 0.5f) * pixels_per_cell_ + 0.5f);
    }
    Rgb amount_colour(const Quad& q, int x, int y) const {
        const float v00 = values_[q.i00], v10 = values_[q.i10], v01 = values_[q.i01], v11 = values_[q.i11];
        const float low = v00 + (v10 - v00) * q.u, high = v01 + (v11 - v01) * q.u;
        const float v = low + (high - low) * q.v;
        const float across = (v10 - v00) * (1 - q.v) + (v11 - v01) * q.v, up = high - low;
        // change of the value over one pixel
        const float rise = std::sqrt(across * across + up * up);
        const bool level = rise < 1e-4f * step_;  // a plateau that lies on a limit has no line
        const float slope = std::max(rise * cells_per_pixel_, 1e-4f);
        const float pixels_per_unit = 1 / slope;
        const float scaled = (v - low_) * steps_per_unit_;
        // truncation stands for std::floor, which is a call on the oldest processors we build for
        const auto nearest = static_cast<std::size_t>(std::clamp(scaled + 0.5f, 1.0f, last_));
        const float from_edge = (scaled - static_cast<float>(nearest)) * step_ * pixels_per_unit;  // pixels
        const float off = std::abs(from_edge);
        const auto here = static_cast<std::size_t>(std::clamp(scaled, 0.0f, last_));
        Rgb colour = steps_[here];
        if (smooth_) {
            const float at = std::clamp(scaled - 0.5f, 0.0f, last_ - 0.001f);
            const auto below = static_cast<std::size_t>(at);
            colour = mix(steps_[below], steps_[below + 1], at - static_cast<float>(below));
        } else if (off < 0.5f && slope < step_ && !level) {
            colour = mix(steps_[nearest - 1], steps_[nearest], from_edge + 0.5f);
        }
        // lines crowd at walls, where the value jumps: they fade there
        if (off < 0.9f && !smooth_ && !level)
            colour = mix(colour, contour_,
                         contour_alpha_ * clamp01(2 - 6 * slope * steps_per_unit_) * (0.9f - off));
        const float short_by = info_.more_is_better ? threshold_ - v : v - threshold_;
        if (short_by > 0) colour = mix(colour, hatch_, hatch_cover_[static_cast<std::size_t>((x + y) % 6)]);
        const float from_limit = std::abs(short_by) * pixels_per_unit;
        if (from_limit < 1.25f && !level)
            colour = mix(colour, hatch_,
                         clamp01(1.25f - from_limit) * clamp01(2.5f - 6 * slope * steps_per_unit_));
        return colour;
    }
    /// Of the nearest cell: between one and three radios there are not two.
    Rgb count_colour(const Quad& q, int x, int y) const {
        const float v = values_[nearest(q)];
        const Rgb colour =
            steps_[static_cast<std::size_t>(std::clamp((v - low_) * steps_per_unit_, 0.0f, last_))];
        const bool fails = info_.more_is_better ? v < threshold_ : v > threshold_;
        return fails ? mix(colour, hatch_, hatch_cover_[static_cast<std::size_t>((x + y) % 6)]) : colour;
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
        const Rgb colour = tints_.at(number);
        const auto differs = [&](const Quad& beside) {
            return has_gap(beside) || strongest_number(beside) != number;
        };
        const bool edge = differs(quad(x + 1, y)) || differs(quad(x, y + 1));
        return edge ? mix(colour, ink_, 0.55f) : colour;
    }

    const Surface& surface_;
    const std::vector<std::uint8_t>& shown_;
    const std::vector<float>& values_;
    const MapScale info_;
    float threshold_, step_, low_, steps_per_unit_, pixels_per_cell_, cells_per_pixel_;
    std::vector<Between> columns_, rows_;  ///< one more than there are pixels: neighbours are asked for
    std::vector<Stretch> parts_px_;        ///< the pixels of each part, where the surface is
    std::array<float, 6> hatch_cover_;
    std::array<Rgb, 12> steps_;
    std::map<int, Rgb> tints_;
    Rgb contour_, hatch_, ink_;
    float contour_alpha_, opacity_ = 1, last_ = 11;
    bool smooth_ = false;
    std::optional<kernels::AmountLook> look_;  ///< of an amount, unless it is to be painted plainly
    std::vector<std::int32_t> column_low_, column_high_;
    std::vector<float> column_share_;
};

}  // namespace

QImage paint_heat_map(const FloorPrediction& floor, const std::vector<float>& values, const MapChoice& choice,
                      const PlanMap& map, QSize size, const Palette& palette) {
    QImage image;
    paint_heat_map(image, floor, values, choice, map, size, palette);
    return image;
}

void paint_heat_map(QImage& image, const FloorPrediction& floor, const std::vector<float>& values,
                    const MapChoice& choice, const PlanMap& map, QSize size, const Palette& palette,
                    bool plainly) {
    if (image.size() != size) image = QImage(size, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    if (floor.surface.cells() == 0 || values.size() != floor.surface.cells()) return;
    const Shader shader(floor, values, choice, map, size, palette, plainly);
    const QRectF area = map.to_screen(floor.surface.box()).intersected(QRectF(QPointF(0, 0), QSizeF(size)));
    const int top = static_cast<int>(std::floor(area.top())),
              bottom = static_cast<int>(std::ceil(area.bottom()));
    uchar* bits = image.bits();
    const auto stride = image.bytesPerLine();
    tbb::parallel_for(tbb::blocked_range<int>(std::max(top, 0), std::min(bottom, size.height()), 16),
                      [&](const tbb::blocked_range<int>& rows) {
                          Shader::FlatRow kept;
                          for (int y = rows.begin(); y < rows.end(); ++y)
                              shader.row(y, reinterpret_cast<QRgb*>(bits + y * stride), kept);
                      });
}

}  // namespace yemvo::render
