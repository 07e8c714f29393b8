// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/standing.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

/// Points of the additive recurrence with the plastic number: any first n of them lie evenly in a square (M.
/// Roberts, 2018).
class EvenPoints {
public:
    explicit EvenPoints(std::uint32_t seed)
        : at_{std::fmod(seed * 0.61803398875, 1.0), std::fmod(seed * 0.41421356237, 1.0)} {}
    Point next() {
        constexpr double g = 1.32471795724474602596;
        at_.x = std::fmod(at_.x + 1 / g, 1.0);
        at_.y = std::fmod(at_.y + 1 / (g * g), 1.0);
        return at_;
    }

private:
    Point at_;
};

/// Whom the next client is: the profile that is furthest behind its share.
class Turns {
public:
    Turns(const Project& project, const Mix& mix) {
        for (std::size_t i = 0; i < project.clients->size(); ++i)
            if (const double share = share_of(mix, (*project.clients)[i].key); share > 0)
                parts_.push_back({static_cast<std::uint16_t>(i), share, 0});
    }
    bool empty() const { return parts_.empty(); }
    std::uint16_t next() {
        for (Part& p : parts_) p.due += p.share;
        const auto first = std::ranges::max_element(parts_, {}, &Part::due);
        first->due -= 1;
        return first->profile;
    }

private:
    struct Part {
        std::uint16_t profile;
        double share, due;
    };
    std::vector<Part> parts_;
};

std::size_t most_clients(const DemandPlace& place, const DemandBook& book) {
    double most = 0;
    for (const BusyHour& h : book.hours) most = std::max(most, place.clients_at(h.key));
    return std::min(most_standing, static_cast<std::size_t>(std::ceil(most - 1e-9)));
}

/// Each where it is put, in the zone that it stands in.
void stand_along(const DeviceRow& row, const FloorPrediction& p, std::size_t count, Turns& turns,
                 std::vector<StandingClient>& out) {
    for (std::size_t i = 0; i < count; ++i) {
        const Point place = place_in_row(row, i, count);
        StandingClient c{beyond_surface, 0, turns.next(), place};
        if (const auto cell = p.surface.cell_at(place)) {
            c.cell = static_cast<std::uint32_t>(*cell);
            c.zone = p.mask->zone[*cell];
        }
        out.push_back(c);
    }
}

void stand_in(const Surface& surface, const CellMask& mask, std::uint16_t zone,
              const std::vector<std::uint32_t>& cells, std::size_t count, Turns& turns, std::uint32_t seed,
              std::vector<StandingClient>& out) {
    Box box{surface.centre(cells.front()), surface.centre(cells.front())};
    for (std::uint32_t c : cells) {
        const Point p = surface.centre(c);
        box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
        box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
    }
    const double half = surface.cell_m / 2;
    const Point low = box.low - Point{half, half}, size = box.high - box.low + Point{2 * half, 2 * half};
    EvenPoints points(seed);
    for (std::size_t i = 0; i < count; ++i) {
        StandingClient c{cells[i % cells.size()], zone, turns.next(), {}};
        c.place = surface.centre(c.cell);
        // a narrow zone across its box is hit seldom: then its cells are taken in turn
        for (int tries = 0; tries < 60; ++tries) {
            const Point at = points.next();
            const Point place{low.x + at.x * size.x, low.y + at.y * size.y};
            const auto cell = surface.cell_at(place);
            if (!cell || mask.zone[*cell] != zone || !mask.shown[*cell]) continue;
            c.cell = static_cast<std::uint32_t>(*cell);
            c.place = place;
            break;
        }
        out.push_back(c);
    }
}

}  // namespace

StandingFloor standing_clients(const Project& project, const Floor& floor, const FloorPrediction& p) {
    StandingFloor out;
    std::vector<std::vector<std::uint32_t>> cells(floor.zones->size());
    for (std::size_t i = 0; i < p.mask->zone.size(); ++i)
        if (p.mask->zone[i] > 0 && p.mask->shown[i])
            cells[p.mask->zone[i] - 1u].push_back(static_cast<std::uint32_t>(i));
    const std::vector<DemandPlace> places = demand_places(floor);
    for (std::size_t at = 0; at < places.size(); ++at) {
        const DemandPlace& place = places[at];
        Turns turns(project, place.demand().profiles);
        const std::size_t count = most_clients(place, project.demand);
        if (turns.empty() || count == 0 || p.surface.cells() == 0) continue;
        const std::size_t begin = out.clients.size();
        if (place.row) {
            stand_along(*place.row, p, count, turns, out.clients);
        } else {
            const auto index = static_cast<std::size_t>(place.zone - floor.zones->data());
            if (cells[index].empty()) continue;
            stand_in(p.surface, *p.mask, static_cast<std::uint16_t>(index + 1), cells[index], count, turns,
                     place.zone->id.value, out.clients);
        }
        out.places.push_back({static_cast<std::uint16_t>(at), begin, out.clients.size()});
    }
    return out;
}

Attendance attendance(const DemandPlace& place, const StandingPlace& standing, std::string_view hour) {
    const double there = place.clients_at(hour);
    const std::size_t count =
        std::min(standing.end - standing.begin, static_cast<std::size_t>(std::ceil(there - 1e-9)));
    return {count, count > 0 ? there / static_cast<double>(count) : 0};
}

}  // namespace yemvo
