#include "propagation/floor_mask.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "base/content_key.h"

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
    set_runs_and_key();
}

int FloorMask::run_end(Point p, double step_x, int i) const {
    constexpr int far = 1 << 30;
    const double r = (p.y - box_.low.y) / cell_m;
    double end_x = box_.low.x;
    if (p.y < box_.low.y || p.y > box_.high.y || static_cast<int>(r) >= rows_ || p.x > box_.high.x)
        return far;
    if (p.x >= box_.low.x) {
        const int c = static_cast<int>((p.x - box_.low.x) / cell_m);
        if (c >= columns_) return far;
        end_x +=
            cell_m *
            same_until_[static_cast<std::size_t>(static_cast<int>(r)) * static_cast<std::size_t>(columns_) +
                        static_cast<std::size_t>(c)];
    }
    // the last step may already lie beyond by rounding: the next question is asked one earlier
    return i + std::max(1, static_cast<int>(std::floor((end_x - p.x) / step_x)));
}

void FloorMask::set_runs_and_key() {
    if (!enclosed_) return;
    same_until_.resize(inside_.size());
    for (int row = 0; row < rows_; ++row) {
        const std::size_t first = static_cast<std::size_t>(row) * static_cast<std::size_t>(columns_);
        std::int32_t end = columns_;
        for (int c = columns_; c-- > 0;) {
            const std::size_t at = first + static_cast<std::size_t>(c);
            if (c + 1 < columns_ && inside_[at] != inside_[at + 1]) end = c + 1;
            same_until_[at] = end;
        }
    }
    ContentKey key;
    key.add(box_.low.x).add(box_.low.y).add(columns_).add(rows_);
    std::size_t i = 0;
    for (; i + sizeof(std::uint64_t) <= inside_.size(); i += sizeof(std::uint64_t)) {
        std::uint64_t eight = 0;
        std::memcpy(&eight, inside_.data() + i, sizeof eight);
        key.add(eight);
    }
    for (; i < inside_.size(); ++i) key.add(int{inside_[i]});
    key_ = key.value();
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
