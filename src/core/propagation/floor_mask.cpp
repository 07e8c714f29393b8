// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/floor_mask.h"

#include <cmath>
#include <numeric>

#include "base/content_key.h"
#include "geometry/segment_index.h"

namespace yemvo {
namespace {

constexpr double most_cells = 4e6, least_area_m2 = 1;

enum : std::uint8_t { unknown, wall_cell, reached };

}  // namespace

/// The cells round some walls while they are flooded from outside.
struct FloorMask::Raster {
    Box box{};
    double cell_m = finest_cell_m;
    int columns = 0, rows = 0;
    std::vector<std::uint8_t> state;

    Raster(const std::vector<Segment>& lines, const Box& around) {
        while ((around.width() / cell_m + 4) * (around.height() / cell_m + 4) > most_cells) cell_m *= 2;
        box = around.grown(2 * cell_m);
        columns = static_cast<int>(std::ceil(box.width() / cell_m));
        rows = static_cast<int>(std::ceil(box.height() / cell_m));
        state.assign(static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows), unknown);
        for (const Segment& s : lines) draw(s);
        flood();
    }

    std::size_t index(int c, int r) const {
        return static_cast<std::size_t>(r) * static_cast<std::size_t>(columns) + static_cast<std::size_t>(c);
    }
    int column(double x) const {
        return std::clamp(static_cast<int>((x - box.low.x) / cell_m), 0, columns - 1);
    }
    int row(double y) const { return std::clamp(static_cast<int>((y - box.low.y) / cell_m), 0, rows - 1); }

    /// Marks every cell that the segment passes through, by short steps.
    void draw(const Segment& s) {
        const int steps = static_cast<int>(length(s) / (cell_m / 4)) + 1;
        for (int i = 0; i <= steps; ++i) {
            const Point p = lerp(s.a, s.b, static_cast<double>(i) / steps);
            state[index(column(p.x), row(p.y))] = wall_cell;
        }
    }

    /// The margin round the box is free, so its first cell is outside.
    void flood() {
        std::vector<std::pair<int, int>> open{{0, 0}};
        state[0] = reached;
        while (!open.empty()) {
            const auto [c, r] = open.back();
            open.pop_back();
            for (const auto& [dc, dr] : {std::pair{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
                const int nc = c + dc, nr = r + dr;
                if (nc < 0 || nr < 0 || nc >= columns || nr >= rows || state[index(nc, nr)] != unknown)
                    continue;
                state[index(nc, nr)] = reached;
                open.push_back({nc, nr});
            }
        }
    }

    double enclosed_m2() const {
        return static_cast<double>(std::count(state.begin(), state.end(), unknown)) * cell_m * cell_m;
    }

    /// Courtyards become outside, their own walls too where nothing else lies behind them.
    void take_out(const std::vector<Point>& outline) {
        const auto around = bounds(outline);
        if (!around) return;
        for (int r = row(around->low.y); r <= row(around->high.y); ++r)
            for (int c = column(around->low.x); c <= column(around->high.x); ++c) {
                const Point p{box.low.x + (c + 0.5) * cell_m, box.low.y + (r + 0.5) * cell_m};
                if (state[index(c, r)] == unknown && contains(outline, p)) state[index(c, r)] = reached;
            }
    }

    bool inside(int c, int r) const {
        const std::uint8_t s = state[index(c, r)];
        if (s != wall_cell) return s == unknown;
        for (int dr = -1; dr <= 1; ++dr)
            for (int dc = -1; dc <= 1; ++dc) {
                const int nc = c + dc, nr = r + dr;
                if (nc >= 0 && nr >= 0 && nc < columns && nr < rows && state[index(nc, nr)] == unknown)
                    return true;
            }
        return false;
    }
};

namespace {

Box box_round(const std::vector<Segment>& lines) {
    std::vector<Point> ends;
    for (const Segment& s : lines) ends.insert(ends.end(), {s.a, s.b});
    return *bounds(ends);
}

/// Lines that hang together, so that what stands far away does not make the raster large.
std::vector<std::vector<Segment>> clusters(const std::vector<Segment>& lines) {
    std::vector<std::size_t> root(lines.size());
    std::iota(root.begin(), root.end(), std::size_t{0});
    const auto find = [&](std::size_t i) {
        while (root[i] != i) i = root[i] = root[root[i]];
        return i;
    };
    const SegmentIndex near(lines);
    for (std::size_t i = 0; i < lines.size(); ++i)
        near.near(box_of(lines[i]).grown(2 * FloorMask::finest_cell_m),
                  [&](std::size_t k) { root[find(i)] = find(k); });
    std::vector<std::vector<Segment>> out;
    std::vector<std::size_t> place(lines.size(), lines.size());
    for (std::size_t i = 0; i < lines.size(); ++i) {
        std::size_t& at = place[find(i)];
        if (at == lines.size()) {
            at = out.size();
            out.emplace_back();
        }
        out[at].push_back(lines[i]);
    }
    return out;
}

}  // namespace

FloorMask::FloorMask(const std::vector<Wall>& walls, const std::vector<std::vector<Point>>& open_air) {
    std::vector<Segment> lines;
    for (const Wall& w : walls) for_each_chord(w, [&](const Chord& c) { lines.push_back(c.line); });
    if (lines.empty()) return;
    Box around = box_round(lines);
    if (around.width() * around.height() / (finest_cell_m * finest_cell_m) > most_cells) {
        std::vector<Segment> enclosing;
        for (const auto& cluster : clusters(lines))
            if (Raster(cluster, box_round(cluster)).enclosed_m2() >= least_area_m2)
                enclosing.insert(enclosing.end(), cluster.begin(), cluster.end());
        if (enclosing.empty()) return;
        lines = std::move(enclosing);
        around = box_round(lines);
    }
    Raster raster(lines, around);
    if (raster.enclosed_m2() < least_area_m2) return;
    for (const auto& outline : open_air) raster.take_out(outline);
    keep(raster);
}

void FloorMask::keep(const Raster& raster) {
    enclosed_ = true;
    box_ = raster.box;
    cell_m_ = raster.cell_m;
    columns_ = raster.columns;
    rows_ = raster.rows;
    ContentKey key;
    key.add(box_.low.x).add(box_.low.y).add(columns_).add(rows_).add(cell_m_);
    std::size_t cells = 0;
    for (int r = 0; r < rows_; ++r) {
        row_starts_.push_back(static_cast<std::uint32_t>(changes_.size()));
        bool was = false;
        for (int c = 0; c <= columns_; ++c) {
            const bool now = c < columns_ && raster.inside(c, r);
            cells += now;
            if (now == was) continue;
            changes_.push_back(c);
            key.add(c);
            was = now;
        }
        key.add(-1);
    }
    row_starts_.push_back(static_cast<std::uint32_t>(changes_.size()));
    key_ = key.value();
    area_m2_ = static_cast<double>(cells) * cell_m_ * cell_m_;
}

int FloorMask::row_of(double y) const {
    if (!(y >= box_.low.y && y <= box_.high.y)) return -1;
    const int r = static_cast<int>((y - box_.low.y) / cell_m_);
    return r < rows_ ? r : -1;
}

int FloorMask::run_end(Point p, double step_x, int i) const {
    constexpr int far = 1 << 30;
    const int r = row_of(p.y);
    if (r < 0 || p.x > box_.high.x) return far;
    const auto first = changes_.begin() + row_starts_[static_cast<std::size_t>(r)],
               last = changes_.begin() + row_starts_[static_cast<std::size_t>(r) + 1];
    const int column = p.x < box_.low.x ? -1 : static_cast<int>((p.x - box_.low.x) / cell_m_);
    const auto next = std::upper_bound(first, last, column);
    if (next == last) return far;
    const double end_x = box_.low.x + cell_m_ * *next;
    // the last step may already lie beyond by rounding: the next question is asked one earlier
    return i + std::max(1, static_cast<int>(std::min(1e9, std::floor((end_x - p.x) / step_x))));
}

bool FloorMask::inside(Point p) const {
    if (!enclosed()) return true;
    const int r = row_of(p.y);
    if (r < 0 || !(p.x >= box_.low.x && p.x <= box_.high.x)) return false;
    const auto first = changes_.begin() + row_starts_[static_cast<std::size_t>(r)],
               last = changes_.begin() + row_starts_[static_cast<std::size_t>(r) + 1];
    const int column = static_cast<int>((p.x - box_.low.x) / cell_m_);
    return (std::upper_bound(first, last, column) - first) % 2 == 1;
}

std::vector<Segment> FloorMask::edges() const {
    std::vector<Segment> out;
    if (!enclosed()) return out;
    const auto x = [&](int c) { return box_.low.x + cell_m_ * c; };
    const auto y = [&](int r) { return box_.low.y + cell_m_ * r; };
    const auto row = [&](int r) {
        if (r < 0 || r >= rows_) return std::vector<std::int32_t>{};
        return std::vector<std::int32_t>(changes_.begin() + row_starts_[static_cast<std::size_t>(r)],
                                         changes_.begin() + row_starts_[static_cast<std::size_t>(r) + 1]);
    };
    std::vector<std::pair<int, int>> rising;  // column, first row of a vertical piece that goes on
    std::vector<std::int32_t> below;
    for (int r = 0; r <= rows_; ++r) {
        const auto here = row(r);
        // where exactly one of both rows is inside
        std::vector<std::int32_t> odd;
        std::set_symmetric_difference(below.begin(), below.end(), here.begin(), here.end(),
                                      std::back_inserter(odd));
        for (std::size_t k = 0; k + 1 < odd.size(); k += 2)
            out.push_back({{x(odd[k]), y(r)}, {x(odd[k + 1]), y(r)}});
        std::vector<std::pair<int, int>> going_on;
        for (const auto& [c, from] : rising)
            if (std::binary_search(here.begin(), here.end(), c))
                going_on.emplace_back(c, from);
            else
                out.push_back({{x(c), y(from)}, {x(c), y(r)}});
        for (std::int32_t c : here)
            if (!std::binary_search(below.begin(), below.end(), c)) going_on.emplace_back(c, r);
        rising = std::move(going_on);
        below = here;
    }
    return out;
}

std::vector<std::vector<Point>> open_air(const Floor& floor) {
    std::vector<std::vector<Point>> out;
    for (const Zone& z : *floor.zones)
        if (z.open_air) out.push_back(z.outline);
    return out;
}

}  // namespace yemvo
