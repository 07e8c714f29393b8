// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/candidate_places.h"

#include <cmath>

#include "proposal/hanging_ground.h"
#include "venue/rooms.h"

namespace yemvo {
namespace {

/// The direction of the longest side, a unit vector.
Point main_direction(const std::vector<Point>& outline) {
    Point best{1, 0};
    double longest = 0;
    for (std::size_t i = 0; i < outline.size(); ++i) {
        const Point side = outline[(i + 1) % outline.size()] - outline[i];
        const double length = std::hypot(side.x, side.y);
        if (length > longest + 1e-9) {
            longest = length;
            best = side * (1 / length);
        }
    }
    return best;
}

class FloorPlaces {
public:
    FloorPlaces(const Project& project, const Scene& scene, const Floor& floor, const ProposalAsk& ask)
        : floor_(floor), ask_(ask), ground_(project, scene, floor, ask), rooms_(room_edges(project, floor)) {
        above_ = floor_above(project, floor.id);
        for (const Zone& z : *floor.zones)
            if (z.kind == ZoneKind::served) served_.push_back(&z);
    }

    std::vector<Point> all() {
        for (std::size_t r = 0; r < rooms_.all().size(); ++r) {
            room_ = r;
            rows_in(rooms_.all()[r].outline);
            use_high_ones();
        }
        room_ = no_room;
        for (const Zone* z : served_) {
            rows_in(z->outline);
            use_high_ones();
        }
        if (floor_.zones->empty() && rooms_.all().empty() && !floor_.plate.empty()) rows_in(floor_.plate);
        return std::move(out_);
    }

private:
    static constexpr std::size_t no_room = std::size_t(-1);

    void rows_in(const std::vector<Point>& outline) {
        constexpr double least_m2 = 3;
        if (outline.size() < 3 || area_m2(outline) < least_m2) return;
        const Point along = main_direction(outline), across{-along.y, along.x};
        std::vector<Point> turned;
        for (const Point& p : outline)
            turned.push_back({p.x * along.x + p.y * along.y, p.x * across.x + p.y * across.y});
        const Box box = *bounds(turned);
        const auto rows = [&](double pitch_m, auto&& use) {
            const int columns = std::max(1, int(std::lround(box.width() / pitch_m)));
            const int lines = std::max(1, int(std::lround(box.height() / pitch_m)));
            for (int j = 0; j < lines; ++j)
                for (int i = 0; i < columns; ++i)
                    use(along * (box.low.x + (i + 0.5) * box.width() / columns) +
                        across * (box.low.y + (j + 0.5) * box.height() / lines));
        };
        begin_ = out_.size();
        rows(ask_.pitch_m, [&](Point p) { add(p, outline); });
        // arms and niches that the rows passed by; what has most room round it first
        for (const double clear_m : {1.5, ask_.from_walls_m})
            rows(1, [&](Point p) {
                if (is_far(p) && contains(outline, p) && ground_.from_walls_m(p) >= clear_m) add(p, outline);
            });
    }

    /// Of every place of this room.
    bool is_far(Point p) const {
        const auto near = [&](Point other) { return distance(other, p) < ask_.pitch_m; };
        return std::none_of(out_.begin() + std::ptrdiff_t(begin_), out_.end(), near) &&
               std::ranges::none_of(high_, near);
    }

    void add(Point p, const std::vector<Point>& outline) {
        p = {std::round(p.x * 100) / 100, std::round(p.y * 100) / 100};
        if (!contains(outline, p) || !is_own_room(p) || !ground_.may_hang(p)) return;
        // where the next storey is open there is no ceiling to hang from
        const bool high = above_ && std::ranges::any_of(above_->slab->voids, [&](const SlabVoid& v) {
                              return contains(v.outline, p);
                          });
        (high ? high_ : out_).push_back(p);
        found_ += !high;
    }

    /// A hall of two storeys has no others.
    void use_high_ones() {
        if (found_ == 0) out_.insert(out_.end(), high_.begin(), high_.end());
        high_.clear();
        found_ = 0;
    }

    /// A room inside another has places of its own; zones add what no room holds.
    bool is_own_room(Point p) const {
        for (std::size_t r = 0; r < rooms_.all().size(); ++r)
            if (contains(rooms_.all()[r].outline, p)) return r == room_;
        return room_ == no_room;
    }

    const Floor& floor_;
    const ProposalAsk& ask_;
    HangingGround ground_;
    RoomFinder rooms_;
    std::vector<const Zone*> served_;
    const Floor* above_ = nullptr;
    std::vector<Point> high_;
    int found_ = 0;
    std::size_t begin_ = 0;  ///< of this room's places
    std::size_t room_ = no_room;
    std::vector<Point> out_;
};

}  // namespace

std::vector<Point> candidate_places(const Project& project, const Scene& scene, const Floor& floor,
                                    const ProposalAsk& ask) {
    return FloorPlaces(project, scene, floor, ask).all();
}

}  // namespace yemvo
