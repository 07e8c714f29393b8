// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/shadow_raster.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numeric>
#include <optional>

#include "propagation/crossing_rule.h"
#include "propagation/prism_way.h"
#include "propagation/ray_heights.h"
#include "propagation/shadow_kernels.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

using namespace shadow;

/// A linear function of the place, in metres, turned into one of the cell.
Linear on_cells(const Surface& s, double k0, double kx, double ky) {
    const Point first = s.centre(0, 0);
    return {k0 + kx * first.x + ky * first.y, kx * s.cell_m, ky * s.cell_m};
}

HalfPlane half_plane(const Linear& f, bool strict) { return {f, f.cx == 0 ? 0 : 1 / f.cx, strict}; }

/// Shares of the way at which rays to a level surface are between two heights; [0, 1] when it slopes.
struct Shares {
    double from = 0, to = 1;
};

Shares shares(const Surface& s, Point3 source, double base_m, double top_m) {
    const double rise = s.z0 - source.z;
    if (s.slope_x != 0 || s.slope_y != 0 || rise == 0) return {};
    const double a = (base_m - source.z) / rise, b = (top_m - source.z) / rise;
    return {std::max(0.0, std::min(a, b)), std::min(1.0, std::max(a, b))};
}

/// Rows of the shadow: its corners are the panel's ends moved away from the source by 1 / share.
void set_rows(PanelShadow& out, const Surface& s, Point source, const Wedge& w, const Shares& at) {
    double low = 1e12, high = -1e12;
    for (double end : {w.p.y, w.q.y})
        for (double share : {at.from, at.to}) {
            const double y = source.y + (share > 1e-9 ? end / share
                                         : end == 0   ? 0
                                                      : std::copysign(1e12, end));
            low = std::min(low, y);
            high = std::max(high, y);
        }
    const auto row = [&](double y) {
        return static_cast<int>(std::clamp((y - s.origin.y) / s.cell_m, -2.0, s.rows + 2.0));
    };
    out.first_row = row(low) - 1;
    out.end_row = row(high) + 2;
}

/// False when no ray can cross it.
bool set_shadow(PanelShadow& out, const Surface& s, Point3 source, const RayHeights& rays,
                const ScenePanel& panel) {
    if (!rays.meets(panel.base_m, panel.top_m)) return false;
    const auto wedge = make_wedge(source.flat(), panel.a, panel.b);
    if (!wedge) return false;
    const Wedge& w = *wedge;
    const Shares at = shares(s, source, panel.base_m, panel.top_m);
    if (at.from >= at.to) return false;
    out.planes = 0;
    set_rows(out, s, source.flat(), w, at);
    if (out.first_row >= s.rows || out.end_row <= 0) return false;
    const Point a = source.flat(), e = w.q - w.p;
    const auto keep = [&](double k0, double kx, double ky, bool strict) {
        out.plane[out.planes++] = half_plane(on_cells(s, k0, kx, ky), strict);
    };
    // cross(v, r - a) as a linear function of r
    keep(-w.p.x * a.y + w.p.y * a.x, -w.p.y, w.p.x, false);
    keep(w.q.x * a.y - w.q.y * a.x, w.q.y, -w.q.x, true);
    // depth = cross(r - a, e) beyond the wall
    const double d0 = -a.x * e.y + a.y * e.x, dx = e.y, dy = -e.x;
    keep(d0 - w.h * beyond_wall, dx, dy, true);
    // the ray's height at the wall: source.z + (h / depth) (z_r - source.z), against base and top
    const double r0 = w.h * (s.z0 - source.z), rx = w.h * s.slope_x, ry = w.h * s.slope_y;
    const double base = panel.base_m - source.z, top = panel.top_m - source.z;
    if (panel.base_m > rays.low) keep(r0 - base * d0, rx - base * dx, ry - base * dy, false);
    if (panel.top_m <= rays.high) keep(top * d0 - r0, top * dx - rx, top * dy - ry, true);
    const double per_length = 1 / std::sqrt(dot(e, e));
    out.along = on_cells(s, d0 * per_length, dx * per_length, dy * per_length);
    out.law = panel.row;
    return true;
}

/// A little more than the cells that the shadow and the ground of a solid can lie in.
void set_planes(PrismShadow& out, const Surface& s, Point a, const std::vector<Point>& outline,
                const Shares& at) {
    Point centre{};
    for (Point p : outline) centre = centre + (p - a) * (1.0 / static_cast<double>(outline.size()));
    const Point ahead = unit(centre);
    double nearest_m = 1e9, farthest_m = 0;
    for (Point p : outline) {
        nearest_m = std::min(nearest_m, dot(p - a, ahead));
        farthest_m = std::max(farthest_m, dot(p - a, ahead));
    }
    if (nearest_m <= 0.01) return;  // beside or round the source: every cell is asked
    Point right = outline[0] - a, left = right;
    for (Point p : outline) {
        if (cross(left, p - a) > 0) left = p - a;
        if (cross(right, p - a) < 0) right = p - a;
    }
    constexpr double slack_m = 1e-6;
    const auto keep = [&](Point n, double least) {
        out.plane[out.planes++] = half_plane(on_cells(s, -dot(n, a) - least + slack_m, n.x, n.y), false);
    };
    keep(left_of(unit(right)), 0);
    keep(left_of(unit(left)) * -1.0, 0);
    keep(ahead, nearest_m / std::max(at.to, 1e-6));
    if (at.from > 1e-6) keep(ahead * -1.0, -farthest_m / at.from);
}

/// For a convex solid.
PrismShadow prism_shadow(const Surface& s, Point3 source, const ScenePrism& prism) {
    PrismShadow out;
    set_planes(out, s, source.flat(), prism.outline, shares(s, source, prism.base_m, prism.top_m));
    const std::size_t n = prism.outline.size();
    for (std::size_t i = 0; i < n; ++i) {
        const Point a = prism.outline[i], b = prism.outline[(i + 1) % n];
        if (distance(a, b) < 1e-9) continue;
        const Point inward = left_of(unit(b - a));
        out.faces.push_back(
            {on_cells(s, -dot(inward, a), inward.x, inward.y), dot(inward, source.flat() - a)});
    }
    out.faces.push_back({on_cells(s, s.z0 - prism.base_m, s.slope_x, s.slope_y), source.z - prism.base_m});
    out.faces.push_back({on_cells(s, prism.top_m - s.z0, -s.slope_x, -s.slope_y), prism.top_m - source.z});
    out.saturates = prism.saturates;
    return out;
}

/// Where a row of cells runs on or off a slab, as columns of one loss row.
struct SlabRun {
    int row, low, high;
};

/// Runs of a surface's row of cells that a level sheet lies under or over; exact at its outlines.
class SlabRows {
public:
    SlabRows(const Surface& surface, const SceneSlab& slab, Point3 source)
        : surface_(surface), slab_(slab), source_(source), rows_(static_cast<std::size_t>(surface.columns)) {
        level_ = surface.slope_x == 0 && surface.slope_y == 0 && slab.rise == Point{};
        if (!level_) reach_ = reach(slab);
    }
    std::vector<SlabRun> runs(int row) {
        if (level_)
            level(row);
        else
            sloping(row);
        std::vector<SlabRun> out;
        for (int c = 0; c < surface_.columns;) {
            int end = c;
            const int here = at(c);
            while (end < surface_.columns && at(end) == here) ++end;
            if (here >= 0) out.push_back({here, c, end});
            c = end;
        }
        return out;
    }

private:
    int& at(int column) { return rows_[static_cast<std::size_t>(column)]; }
    /// A box of the scene that it lies in; none when nothing bounds it.
    static std::optional<Box> reach(const SceneSlab& slab) {
        std::vector<Point> corners = slab.plate;
        if (corners.empty() && slab.limit) corners = corners_of(*slab.limit);
        if (corners.empty() && slab.extent->enclosed()) corners = corners_of(slab.extent->box());
        if (corners.empty()) return std::nullopt;
        for (Point& p : corners) p = slab.to_scene.apply(p);
        constexpr double rounding_m = 0.01;
        return bounds(corners)->grown(rounding_m);
    }
    static std::vector<Point> corners_of(const Box& b) {
        return {b.low, {b.high.x, b.low.y}, b.high, {b.low.x, b.high.y}};
    }
    /// Columns of a row whose rays can meet it: those whose way runs beside the box do not.
    std::pair<int, int> near_columns(int row) const {
        if (!reach_) return {0, surface_.columns};
        const double y = surface_.centre(0, row).y, from_y = source_.y;
        if (std::max(y, from_y) < reach_->low.y || std::min(y, from_y) > reach_->high.y) return {0, 0};
        const auto column = [&](double x) {
            return static_cast<int>(std::clamp((x - surface_.origin.x) / surface_.cell_m, -2.0,
                                               static_cast<double>(surface_.columns) + 2));
        };
        const int low = source_.x < reach_->low.x ? column(reach_->low.x) - 1 : 0;
        const int high = source_.x > reach_->high.x ? column(reach_->high.x) + 2 : surface_.columns;
        return {std::clamp(low, 0, surface_.columns), std::clamp(high, 0, surface_.columns)};
    }
    void sloping(int row) {
        std::fill(rows_.begin(), rows_.end(), -1);
        const auto [low, high] = near_columns(row);
        for (int c = low; c < high; ++c) {
            const Point3 receiver = surface_.receiver(surface_.centre(c, row));
            const auto share = slab_.share(source_, receiver);
            if (!share) continue;
            const Point p = lerp(source_.flat(), receiver.flat(), *share);
            if (!reach_ || reach_->contains(p)) at(c) = slab_.row_at(p).value_or(-1);
        }
    }
    /// The ray passes the sheet at one share of every way: the cells' row is a line over the sheet.
    void level(int row) {
        std::fill(rows_.begin(), rows_.end(), -1);
        const auto share = slab_.share(source_, surface_.receiver(surface_.centre(0, row)));
        if (!share) return;
        const Point first = place(0, row, *share), step = place(1, row, *share) - first;
        if (slab_.plate.empty()) {
            slab_.extent->along(first, step, surface_.columns, [&](int from, int to) {
                for (int c = from; c < to; ++c)
                    if (!slab_.limit || slab_.limit->contains(first + step * c)) at(c) = slab_.row;
            });
        } else {
            paint(slab_.plate, first, step, slab_.row, false);
        }
        for (const SlabPatch& patch : slab_.patches) paint(patch.outline, first, step, patch.row, true);
        for (const auto& outline : slab_.voids) paint(outline, first, step, -1, true);
    }
    Point place(int column, int row, double share) const {
        return slab_.to_scene.invert(lerp(source_.flat(), surface_.centre(column, row), share));
    }
    /// The cells of the line inside an outline.
    void paint(const std::vector<Point>& outline, Point first, Point step, int loss_row, bool only_on_slab) {
        crossings_.clear();
        Point a = outline.back() - first;
        bool a_left = cross(step, a) >= 0;
        for (Point corner : outline) {
            const Point b = corner - first;
            const bool b_left = cross(step, b) >= 0;
            if (a_left != b_left) crossings_.push_back(cross(a, b - a) / cross(step, b - a));
            a = b;
            a_left = b_left;
        }
        std::sort(crossings_.begin(), crossings_.end());
        const auto column = [&](double v) {
            return static_cast<int>(std::clamp(std::ceil(v), 0.0, static_cast<double>(surface_.columns)));
        };
        for (std::size_t i = 0; i + 1 < crossings_.size(); i += 2)
            for (int c = column(crossings_[i]); c < column(crossings_[i + 1]); ++c)
                if (!only_on_slab || at(c) >= 0) at(c) = loss_row;
    }

    const Surface& surface_;
    const SceneSlab& slab_;
    Point3 source_;
    bool level_ = true;
    std::optional<Box> reach_;  ///< of a sloping one
    std::vector<int> rows_;
    std::vector<double> crossings_;
};

int tile_columns_of(const Surface& s) { return (s.columns + tile_side - 1) / tile_side; }
/// A multiple of block_tiles.
int tile_rows_of(const Surface& s) {
    const int rows = (s.rows + tile_side - 1) / tile_side;
    return (rows + block_tiles - 1) / block_tiles * block_tiles;
}

/// Adds up, block by block, what the things of a scene do to the cells behind them.
class Raster {
public:
    Raster(const Scene& scene, const Surface& surface, Point3 source, const CancelToken& cancel)
        : scene_(scene),
          surface_(surface),
          source_(engine_source(scene, source)),
          rays_(ray_heights(surface, source_)),
          cancel_(cancel) {}

    /// Whether distance and slabs alone take every cell beyond the limit: then walls are not even looked at,
    /// and storeys far away cost next to nothing. Worked out a block at a time from the one nearest the
    /// source, so that where something arrives it is soon known.
    bool is_silent_by_slabs(double limit_db) {
        if (limit_db >= no_limit_db || band_count() > most_bands || surface_.cells() == 0) return false;
        if (std::none_of(scene_.slabs.begin(), scene_.slabs.end(),
                         [&](const SceneSlab& s) { return between(s); }))
            return false;
        take_laws(scene_.laws, 0);
        const int blocks = tile_rows_of(surface_) / block_tiles, columns = tile_columns_of(surface_);
        const auto cells = static_cast<std::size_t>(block_tiles * columns * tile_cells);
        thread_local std::vector<float, AlignedAllocator<float>> scratch;
        scratch.resize(cells * (band_count() + 1));
        const int nearest = std::clamp(
            static_cast<int>((source_.y - surface_.origin.y) / surface_.cell_m) / block_rows, 0, blocks - 1);
        for (int i = 0; i < blocks; ++i) {
            cancel_.check();
            std::fill(scratch.begin(), scratch.end(), 0.0f);
            Block block;
            const int tile_row = (nearest + i) % blocks * block_tiles;
            set_up(block, tile_row, columns);
            for (std::size_t b = 0; b < band_count(); ++b) block.loss_db[b] = scratch.data() + b * cells;
            block.bands = static_cast<int>(band_count());
            put_distances(scratch.data() + band_count() * cells, tile_row, columns);
            block.per_distance = scratch.data() + band_count() * cells;
            if (!add_slabs_within(block, limit_db)) return false;
        }
        return true;
    }

    Obstruction losses(double limit_db) {
        if (is_silent_by_slabs(limit_db)) return nothing_arrives(surface_);
        Obstruction out;
        prepare();
        for (std::size_t b = 0; b < band_count(); ++b) out.by_band.emplace_back(surface_);
        out.alive_low.assign(static_cast<std::size_t>(per_distance_.tile_rows()), INT32_MAX);
        out.alive_high.assign(out.alive_low.size(), 0);
        for (std::size_t first = 0; first < band_count(); first += most_bands) {
            take_laws(scene_.laws, first);
            for (int t = 0; t < per_distance_.tile_rows(); t += block_tiles) {
                Block block = make_block(out.by_band, t, first);
                fill(block, limit_db);
                for (int k = 0; k < block_tiles; ++k) {
                    const auto row = static_cast<std::size_t>(t + k);
                    out.alive_low[row] = std::min(out.alive_low[row], block.alive_low[k]);
                    out.alive_high[row] = std::max(out.alive_high[row], block.alive_high[k]);
                }
            }
        }
        return out;
    }

    /// By type, since crossings of one type err together; the squares add up.
    std::vector<TilePlane> deviations() {
        prepare();
        std::vector<TilePlane> sums, parts;
        for (std::size_t b = 0; b < band_count(); ++b) {
            sums.emplace_back(surface_);
            parts.emplace_back(surface_);
        }
        std::stable_sort(panels_.begin(), panels_.end(),
                         [](const PanelShadow& a, const PanelShadow& b) { return a.law < b.law; });
        for (std::size_t first = 0; first < band_count(); first += most_bands) {
            take_laws(scene_.deviations, first);
            for (int t = 0; t < per_distance_.tile_rows(); t += block_tiles) {
                Block sum = make_block(sums, t, first), part = make_block(parts, t, first);
                add_deviations(sum, part);
            }
        }
        for (TilePlane& plane : sums)
            for (int t = 0; t < plane.tile_rows(); t += block_tiles)
                for (std::size_t i = 0; i < block_cells(); ++i)
                    plane.block(t)[i] = std::sqrt(plane.block(t)[i]);
        return sums;
    }

private:
    /// Near ones first: what lies beyond the limit is then known early.
    void collect() {
        constexpr std::size_t rings = 64;
        const Point from = source_.flat();
        std::vector<std::pair<float, std::uint32_t>> near;
        near.reserve(scene_.panels.size());
        float farthest = 1e-3f;
        for (std::size_t i = 0; i < scene_.panels.size(); ++i) {
            const ScenePanel& p = scene_.panels[i];
            if (!rays_.meets(p.base_m, p.top_m)) continue;
            const Point middle = (p.a + p.b) * 0.5 - from;
            near.emplace_back(static_cast<float>(std::sqrt(dot(middle, middle))),
                              static_cast<std::uint32_t>(i));
            farthest = std::max(farthest, near.back().first);
        }
        const auto ring = [&](float distance_m) {
            return static_cast<std::size_t>(distance_m / farthest * (rings - 1));
        };
        std::array<std::size_t, rings + 1> ends{};
        for (const auto& [distance_m, i] : near) ++ends[ring(distance_m) + 1];
        std::partial_sum(ends.begin(), ends.end(), ends.begin());
        std::vector<std::uint32_t> order(near.size());
        for (const auto& [distance_m, i] : near) order[ends[ring(distance_m)]++] = i;
        panels_.resize(order.size());
        std::size_t used = 0;
        for (std::uint32_t i : order)
            used += set_shadow(panels_[used], surface_, source_, rays_, scene_.panels[i]) ? 1u : 0u;
        panels_.resize(used);
    }
    /// What every cell needs of all that stands in the way.
    void prepare() {
        per_distance_ = TilePlane(surface_);
        for (int t = 0; t < per_distance_.tile_rows(); t += block_tiles)
            put_distances(per_distance_.block(t), t, per_distance_.tile_columns());
        collect();
        collect_prisms();
    }
    void put_distances(float* to, int tile_row, int tile_columns) const {
        const Linear x = on_cells(surface_, -source_.x, 1, 0), y = on_cells(surface_, -source_.y, 0, 1);
        const Linear z = on_cells(surface_, surface_.z0 - source_.z, surface_.slope_x, surface_.slope_y);
        inverse_distances(to, tile_row * tile_side, tile_columns, x, y, z);
    }

    void set_up(Block& block, int tile_row, int tile_columns) const {
        block.first_row = tile_row * tile_side;
        block.columns = surface_.columns;
        block.tile_columns = tile_columns;
        std::fill(block.alive_low, block.alive_low + block_tiles, 0);
        std::fill(block.alive_high, block.alive_high + block_tiles, tile_columns);
    }

    void take_laws(const std::vector<std::vector<AngleLaw>>& table, std::size_t first_band) {
        laws_.clear();
        for (const auto& row : table) {
            LawSet set{};
            for (std::size_t b = 0; b < most_bands; ++b)
                set[b] = &row[std::min(first_band + b, row.size() - 1)];
            laws_.push_back(set);
        }
    }
    std::size_t block_cells() const {
        return static_cast<std::size_t>(block_tiles * per_distance_.tile_columns() * tile_cells);
    }
    Block make_block(std::vector<TilePlane>& planes, int tile_row, std::size_t first_band) const {
        Block block;
        set_up(block, tile_row, per_distance_.tile_columns());
        block.bands = static_cast<int>(std::min<std::size_t>(most_bands, planes.size() - first_band));
        for (std::size_t b = 0; b < static_cast<std::size_t>(block.bands); ++b)
            block.loss_db[b] = planes[first_band + b].block(tile_row);
        block.per_distance = per_distance_.block(tile_row);
        return block;
    }

    void fill(Block& block, double limit_db) {
        constexpr std::size_t at_once = 64;
        if (add_slabs_within(block, limit_db)) return;
        for (std::size_t i = 0; i < panels_.size(); i += at_once) {
            cancel_.check();
            if (trim(block, limit_db)) return;
            add_panels(panels_.data() + i, std::min(at_once, panels_.size() - i), laws_.data(), block);
        }
        add_prisms(block, std::nullopt);
        trim(block, limit_db);
    }
    void add_deviations(Block& sum, Block& part) {
        for (std::size_t row = 0, i = 0; row < laws_.size(); ++row) {
            cancel_.check();
            const std::size_t from = i;
            while (i < panels_.size() && panels_[i].law == static_cast<int>(row)) ++i;
            for (int b = 0; b < part.bands; ++b) {
                float* cells = part.loss_db[static_cast<std::size_t>(b)];
                std::fill(cells, cells + block_cells(), 0.0f);
            }
            bool any = i > from;
            add_panels(panels_.data() + from, i - from, laws_.data(), part);
            any |= add_slabs(part, static_cast<int>(row));
            any |= add_prisms(part, static_cast<int>(row));
            for (int b = 0; any && b < part.bands; ++b)
                add_squares(sum.loss_db[static_cast<std::size_t>(b)],
                            part.loss_db[static_cast<std::size_t>(b)], block_cells());
        }
    }

    /// Takes tiles off both ends in which no cell is within the limit in any band; true when none is left.
    bool trim(Block& block, double limit_db) const {
        if (limit_db >= no_limit_db) return false;
        bool none = true;
        for (int k = 0; k < block_tiles; ++k) {
            int &low = block.alive_low[k], &high = block.alive_high[k];
            while (low < high && beyond(block, k, low, limit_db)) ++low;
            while (low < high && beyond(block, k, high - 1, limit_db)) --high;
            none = none && low >= high;
        }
        return none;
    }
    bool beyond(const Block& block, int k, int tile, double limit_db) const {
        const std::size_t first = static_cast<std::size_t>(k * block.tile_columns + tile) * tile_cells;
        // what fills a tile up beyond the surface's edge has no loss and counts for nothing
        const int rows = std::min(tile_side, surface_.rows - block.first_row - k * tile_side);
        const int columns = std::min(tile_side, surface_.columns - tile * tile_side);
        float least = std::numeric_limits<float>::max(), nearest = 1e-6f;
        for (int r = 0; r < rows; ++r)
            for (int c = 0; c < columns; ++c) {
                const std::size_t i = first + static_cast<std::size_t>(r * tile_side + c);
                nearest = std::max(nearest, block.per_distance[i]);
                for (int b = 0; b < block.bands; ++b)
                    least = std::min(least, block.loss_db[static_cast<std::size_t>(b)][i]);
            }
        // quick: at 1 m free space takes 40 dB at least
        if (double{least} < limit_db - 140) return false;
        return double{least} + free_space_loss_db(bands().front().reference_mhz, 1 / double{nearest}) >
               limit_db;
    }

    /// All of them, as long as a cell is within the limit; true when none is.
    bool add_slabs_within(Block& block, double limit_db) {
        for (const SceneSlab& slab : scene_.slabs) {
            if (!between(slab)) continue;
            add(slab, block, std::nullopt);
            if (trim(block, limit_db)) return true;
        }
        return false;
    }
    bool between(const SceneSlab& slab) const {
        return slab.ramp || (slab.level_m > rays_.low && slab.level_m <= rays_.high);
    }
    /// All of them, or those parts that are of one loss row; true when there was one.
    bool add_slabs(Block& block, std::optional<int> only) {
        bool any = false;
        for (const SceneSlab& slab : scene_.slabs) {
            if (!between(slab)) continue;
            if (only && !has_row(slab, *only)) continue;
            any = true;
            add(slab, block, only);
        }
        return any;
    }
    static bool has_row(const SceneSlab& slab, int row) {
        return slab.row == row || std::any_of(slab.patches.begin(), slab.patches.end(),
                                              [&](const SlabPatch& p) { return p.row == row; });
    }
    void add(const SceneSlab& slab, Block& block, std::optional<int> only) {
        SlabRows rows(surface_, slab, source_);
        // along the sheet's normal, positive beyond it
        const double square = 1 + dot(slab.rise, slab.rise), sign = below(slab) ? 1 : -1;
        const double k = sign / std::sqrt(square);
        const Linear along =
            on_cells(surface_, k * (surface_.z0 - source_.z + dot(slab.rise, source_.flat())),
                     k * (surface_.slope_x - slab.rise.x), k * (surface_.slope_y - slab.rise.y));
        std::vector<SlabRun> runs[block_rows];
        for (int r = 0; r < block_rows; ++r)
            if (block.first_row + r < surface_.rows) runs[r] = rows.runs(block.first_row + r);
        // the k-th runs of the rows together, as long as they are of one loss row
        std::size_t most = 0;
        for (const auto& list : runs) most = std::max(most, list.size());
        for (std::size_t i = 0; i < most; ++i) {
            bool done[block_rows] = {};
            for (int r = 0; r < block_rows; ++r) {
                if (done[r] || i >= runs[r].size()) continue;
                const int row = runs[r][i].row;
                std::int32_t low[block_rows] = {}, high[block_rows] = {};
                for (int other = r; other < block_rows; ++other)
                    if (i < runs[other].size() && runs[other][i].row == row) {
                        low[other] = runs[other][i].low;
                        high[other] = runs[other][i].high;
                        done[other] = true;
                    }
                if (!only || *only == row)
                    add_spans(low, high, along, laws_[static_cast<std::size_t>(row)], block);
            }
        }
    }
    /// Whether the source is under it.
    bool below(const SceneSlab& slab) const {
        return source_.z - dot(slab.rise, source_.flat()) < slab.level_m;
    }

    bool add_prisms(Block& block, std::optional<int> only) {
        bool any = false;
        for (auto& [prism, shadow] : prisms_) {
            if (only && prism->row != *only) continue;
            any = true;
            const LawSet& laws = laws_[static_cast<std::size_t>(prism->row)];
            for (std::size_t b = 0; b < most_bands; ++b) {
                shadow.db_per_m[b] = laws[b]->c[0][0];
                shadow.most_db[b] = static_cast<float>(prism->most_db * share_of_loss(*prism, b, only));
            }
            if (prism->convex)
                add_prism(shadow, block);
            else
                walk(*prism, shadow, block);
        }
        return any;
    }
    /// Those that rays can meet, and their shadows: the same for every block.
    void collect_prisms() {
        for (const ScenePrism& prism : scene_.prisms)
            if (rays_.meets(prism.base_m, prism.top_m))
                prisms_.push_back({&prism, prism_shadow(surface_, source_, prism)});
    }
    /// Deviations are a share of the loss, and held by that share of its bound.
    double share_of_loss(const ScenePrism& prism, std::size_t band, std::optional<int> deviation) const {
        if (!deviation) return 1;
        const auto row = static_cast<std::size_t>(prism.row);
        const double loss = double{scene_.laws[row][std::min(band, band_count() - 1)].c[0][0]};
        return loss > 0 ? double{laws_[row][band]->c[0][0]} / loss : 0;
    }
    /// Solids that are not convex: cell by cell.
    void walk(const ScenePrism& prism, const PrismShadow& shadow, Block& block) const {
        std::int32_t low[block_rows], high[block_rows];
        if (!spans(shadow.plane, shadow.planes, block.first_row, block.columns, low, high)) return;
        for (int r = 0; r < block_rows && block.first_row + r < surface_.rows; ++r)
            for (int c = low[r]; c < high[r]; ++c) {
                const Point3 receiver = surface_.receiver(surface_.centre(c, block.first_row + r));
                const double way_m = prism_way(prism, source_, receiver).length_m;
                if (way_m <= 0) continue;
                const std::size_t cell =
                    static_cast<std::size_t>((r / tile_side) * block.tile_columns + c / tile_side) *
                        tile_cells +
                    static_cast<std::size_t>(r % tile_side * tile_side + c % tile_side);
                for (int b = 0; b < block.bands; ++b) {
                    const auto band = static_cast<std::size_t>(b);
                    block.loss_db[band][cell] += static_cast<float>(way_loss_db(
                        double{shadow.db_per_m[band]}, way_m, double{shadow.most_db[band]}, prism.saturates));
                }
            }
    }

    const Scene& scene_;
    const Surface& surface_;
    Point3 source_;
    RayHeights rays_;
    const CancelToken& cancel_;
    TilePlane per_distance_;
    std::vector<PanelShadow> panels_;
    std::vector<std::pair<const ScenePrism*, PrismShadow>> prisms_;
    std::vector<LawSet> laws_;
};

}  // namespace

TilePlane::TilePlane(const Surface& s)
    : columns_(s.columns), tile_columns_(tile_columns_of(s)), tile_rows_(tile_rows_of(s)) {
    values_.assign(static_cast<std::size_t>(tile_columns_ * tile_rows_ * tile_cells), 0.0f);
}

bool Obstruction::silent() const {
    for (std::size_t i = 0; i < alive_low.size(); ++i)
        if (alive_low[i] < alive_high[i]) return false;
    return true;
}

std::size_t Obstruction::bytes() const {
    std::size_t sum = alive_low.size() * 2 * sizeof(int);
    for (const TilePlane& plane : by_band) sum += plane.bytes();
    return sum;
}

bool is_silent_by_slabs(const Scene& scene, const Surface& surface, Point3 source, const CancelToken& cancel,
                        double limit_db) {
    return Raster(scene, surface, source, cancel).is_silent_by_slabs(limit_db);
}

Obstruction nothing_arrives(const Surface& surface) {
    Obstruction out;
    out.by_slabs = true;
    out.alive_low.assign(static_cast<std::size_t>(tile_rows_of(surface)), INT32_MAX);
    out.alive_high.assign(out.alive_low.size(), 0);
    return out;
}

Obstruction cast_shadows(const Scene& scene, const Surface& surface, Point3 source, const CancelToken& cancel,
                         double limit_db) {
    return Raster(scene, surface, source, cancel).losses(limit_db);
}

std::vector<TilePlane> cast_deviation(const Scene& scene, const Surface& surface, Point3 source,
                                      const CancelToken& cancel) {
    return Raster(scene, surface, source, cancel).deviations();
}

bool can_touch(const Surface& surface, Point3 source, const ScenePanel& panel, const Obstruction* of) {
    PanelShadow shadow;
    if (!set_shadow(shadow, surface, source, ray_heights(surface, source), panel)) return false;
    std::int32_t low[block_rows], high[block_rows];
    for (int row = 0; row < surface.rows; row += block_rows) {
        if (shadow.end_row <= row || shadow.first_row >= row + block_rows) continue;
        if (!spans(shadow.plane, shadow.planes, row, surface.columns, low, high)) continue;
        for (int r = 0; r < block_rows && row + r < surface.rows; ++r) {
            int from = low[r], to = high[r];
            if (of) {
                const auto t = static_cast<std::size_t>((row + r) / tile_side);
                from = std::max(from, of->alive_low[t] * tile_side);
                to = std::min(to, of->alive_high[t] * tile_side);
            }
            if (from < to) return true;
        }
    }
    return false;
}

}  // namespace yemvo
