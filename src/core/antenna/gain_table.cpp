// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/gain_table.h"

#include <algorithm>
#include <cmath>
#include <mutex>
#include <numbers>
#include <unordered_map>

#include "base/content_key.h"

namespace yemvo {
namespace {

constexpr double half = (GainTable::side - 1) / 2.0;

struct KeyOfLobe {
    ContentKey& key;
    void operator()(const DomeLobe& l) const { key.add(1).add(l.beamwidth_deg).add(l.floor_db); }
    void operator()(const SectorLobe& l) const {
        key.add(2)
            .add(l.horizontal_deg)
            .add(l.vertical_deg)
            .add(l.tilt_deg)
            .add(l.front_back_db)
            .add(l.side_limit_db);
    }
    void operator()(const PatchLobe& l) const { key.add(3).add(l.exponent).add(l.floor_db); }
    void operator()(const DipoleLobe&) const { key.add(4); }
    void operator()(const CollinearLobe& l) const {
        key.add(5).add(l.vertical_deg).add(l.tilt_deg).add(l.side_limit_db);
    }
    void operator()(const MeasuredLobe& l) const { key.add(6).add(l.key()); }
};

/// The direction that a node stands for, as (right, front, up).
Point3 direction(int column, int row) {
    double x = column / half - 1, y = row / half - 1;
    const double up = 1 - std::abs(x) - std::abs(y);
    if (up < 0) {
        const double folded = (1 - std::abs(y)) * (x < 0 ? -1 : 1);
        y = (1 - std::abs(x)) * (y < 0 ? -1 : 1);
        x = folded;
    }
    return {x, y, up};
}

LocalDirection angles(Point3 d) {
    constexpr double degree = std::numbers::pi / 180;
    const double level = std::hypot(d.x, d.y);
    return {std::atan2(d.x, d.y) / degree, std::atan2(d.z, level) / degree};
}

}  // namespace

std::uint64_t key_of(const Lobe& lobe) {
    ContentKey key;
    std::visit(KeyOfLobe{key}, lobe);
    return key.value();
}

GainTable::GainTable(const Lobe& lobe) : key_(key_of(lobe)), pairs_(std::size_t{side + 1} * side) {
    const auto node = [&](int column, int row) {
        const double db = relative_gain_db(lobe, angles(direction(column, row)));
        return static_cast<std::int16_t>(std::lround(std::max(db, -300.0) * 100));
    };
    // one row more, as one column: a look at the last node reaches beyond it
    for (int row = 0; row < side; ++row) {
        std::int16_t next = node(side - 1, row);
        for (int column = side - 1; column >= 0; --column) {
            const std::int16_t here = column == side - 1 ? next : node(column, row);
            pairs_[static_cast<std::size_t>(row * side + column)] = static_cast<std::int32_t>(
                std::uint32_t{static_cast<std::uint16_t>(next)} << 16 | static_cast<std::uint16_t>(here));
            next = here;
        }
    }
    std::copy_n(pairs_.end() - 2 * side, side, pairs_.end() - side);
}

double GainTable::relative_db(Point3 d) const {
    const double sum = std::max(std::abs(d.x) + std::abs(d.y) + std::abs(d.z), 1e-12);
    double x = d.x / sum, y = d.y / sum;
    if (d.z < 0) {
        const double folded = std::copysign(1 - std::abs(y), x);
        y = std::copysign(1 - std::abs(x), y);
        x = folded;
    }
    const double column = (x + 1) * half, row = (y + 1) * half;
    const int i = std::clamp(static_cast<int>(column), 0, side - 2),
              j = std::clamp(static_cast<int>(row), 0, side - 2);
    const double u = column - i, v = row - j;
    const auto along_row = [&](int r) {
        const std::int32_t pair = pairs_[static_cast<std::size_t>(r * side + i)];
        const double left = static_cast<std::int16_t>(pair & 0xFFFF),
                     right = static_cast<std::int16_t>(pair >> 16);
        return left + u * (right - left);
    };
    const double low = along_row(j), high = along_row(j + 1);
    return (low + v * (high - low)) / 100;
}

std::shared_ptr<const GainTable> gain_table(const Lobe& lobe) {
    constexpr std::size_t most = 256;  // 66 MB; a project has a few dozen
    static std::mutex mutex;
    static std::unordered_map<std::uint64_t, std::shared_ptr<const GainTable>> known;
    const std::uint64_t key = key_of(lobe);
    {
        const std::lock_guard lock(mutex);
        if (const auto found = known.find(key); found != known.end()) return found->second;
    }
    auto made = std::make_shared<const GainTable>(lobe);
    const std::lock_guard lock(mutex);
    if (known.size() >= most) known.clear();
    return known.try_emplace(key, std::move(made)).first->second;
}

std::vector<double> circle_of_gains_db(const Lobe& lobe, const Orientation& turned, Point3 from,
                                       Point3 through, int step_deg) {
    const auto table = gain_table(lobe);
    const BodyAxes axes = turned.axes();
    std::vector<double> gains;
    for (int degree = 0; degree < 360; degree += step_deg) {
        const double a = degree * std::numbers::pi / 180;
        const Point3 way = from * std::cos(a) + through * std::sin(a);
        gains.push_back(table->relative_db({dot(way, axes.right), dot(way, axes.front), dot(way, axes.up)}));
    }
    return gains;
}

double gain_dbi(const Antenna& antenna, const Orientation& orientation, Point3 toward) {
    const BodyAxes axes = orientation.axes();
    const Point3 d{dot(toward, axes.right), dot(toward, axes.front), dot(toward, axes.up)};
    return antenna.gain_dbi + gain_table(antenna.lobe)->relative_db(d);
}

}  // namespace yemvo
