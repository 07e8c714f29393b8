#include "propagation/floor_mask.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

constexpr double largest_side_m = 2000;  // a larger floor is taken as open

enum : std::uint8_t { unknown, wall_cell, reached };

/// Marks every cell that the segment passes through, by short steps.
template <class Mark>
void walk(const Segment& s, Mark mark) {
    const int steps = static_cast<int>(length(s) / (FloorMask::cell_m / 4)) + 1;
    for (int i = 0; i <= steps; ++i) mark(lerp(s.a, s.b, static_cast<double>(i) / steps));
}

}  // namespace

FloorMask::FloorMask(const std::vector<Wall>& walls) {
    std::vector<Point> corners;
    for (const Wall& w : walls)
        for_each_chord(w, [&](const Chord& c) { corners.insert(corners.end(), {c.line.a, c.line.b}); });
    const auto around = bounds(corners);
    if (!around || std::max(around->width(), around->height()) > largest_side_m) return;
    box_ = around->grown(2 * cell_m);
    columns_ = static_cast<int>(std::ceil(box_.width() / cell_m));
    rows_ = static_cast<int>(std::ceil(box_.height() / cell_m));
    std::vector<std::uint8_t> state(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_),
                                    unknown);
    const auto index = [&](int c, int r) {
        return static_cast<std::size_t>(r) * static_cast<std::size_t>(columns_) + static_cast<std::size_t>(c);
    };
    for (const Wall& w : walls)
        for_each_chord(w, [&](const Chord& chord) {
            walk(chord.line, [&](Point p) {
                const int c = std::clamp(static_cast<int>((p.x - box_.low.x) / cell_m), 0, columns_ - 1);
                const int r = std::clamp(static_cast<int>((p.y - box_.low.y) / cell_m), 0, rows_ - 1);
                state[index(c, r)] = wall_cell;
            });
        });

    // the margin round the box is free, so its first cell is outside
    std::vector<std::pair<int, int>> open{{0, 0}};
    state[0] = reached;
    while (!open.empty()) {
        const auto [c, r] = open.back();
        open.pop_back();
        for (const auto& [dc, dr] : {std::pair{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
            const int nc = c + dc, nr = r + dr;
            if (nc < 0 || nr < 0 || nc >= columns_ || nr >= rows_ || state[index(nc, nr)] != unknown)
                continue;
            state[index(nc, nr)] = reached;
            open.push_back({nc, nr});
        }
    }
    inside_.resize(state.size());
    std::size_t enclosed_cells = 0;
    for (std::size_t i = 0; i < state.size(); ++i) {
        inside_[i] = state[i] != reached;
        enclosed_cells += state[i] == unknown;
    }
    enclosed_ =
        static_cast<double>(enclosed_cells) * cell_m * cell_m >= 0.5 * around->width() * around->height() &&
        enclosed_cells > 0;
}

bool FloorMask::inside(Point p) const {
    if (!enclosed_) return true;
    if (!box_.contains(p)) return false;
    const int c = static_cast<int>((p.x - box_.low.x) / cell_m),
              r = static_cast<int>((p.y - box_.low.y) / cell_m);
    if (c >= columns_ || r >= rows_) return false;
    return inside_[static_cast<std::size_t>(r) * static_cast<std::size_t>(columns_) +
                   static_cast<std::size_t>(c)] != 0;
}

}  // namespace yemvo
