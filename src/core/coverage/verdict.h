// SPDX-License-Identifier: GPL-3.0-or-later
// Whether the requirements hold, where and by how much.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "coverage/margins.h"
#include "coverage/site_prediction.h"

namespace yemvo {

struct Worst {
    Point place;   ///< in the floor's metres
    double value;  ///< in the lens's unit
    BandId band;
    double margin;  ///< by how much it keeps the limit, in the lens's unit; below 0: by how much it fails
};

/// An area asked for, and the part of it that keeps what is asked.
struct Area {
    double demanded_m2 = 0, met_m2 = 0;
    double share_met() const { return demanded_m2 > 0 ? met_m2 / demanded_m2 : 0; }
};

/// One requirement on the site, on a floor, or in a zone. What is asked and met is counted in m², clients or
/// radios, as its lens says (RequirementCounts).
struct PlaceResult {
    FloorId floor = {};
    ZoneId zone = {};
    double asked = 0;
    std::vector<double> met;  ///< by band index; where one band is enough, the same for all of them
    std::optional<Worst> worst;
    std::optional<double> met_in_all = {};  ///< clients or radios of all bands together
    std::string hour = {};                  ///< key of the busy hour that it is of; empty for area
    double share_met(BandId band) const { return asked > 0 ? met[band.index] / asked : 0; }
};

struct RequirementResult {
    Requirement requirement;
    RequirementSetId set;
    PlaceResult site;
    std::vector<PlaceResult> floors, zones;  ///< those with something that is asked about
    /// Of the band that reaches least; of clients and radios in all bands together.
    double share_met() const { return share_met(site); }
    double share_met(const PlaceResult&) const;
    /// Something is asked about: an area, or somebody who is there.
    bool asks() const { return site.asked > 0; }
    bool met() const { return asks() && share_met() >= requirement.share_required - 1e-9; }
};

/// The circuit at the busy hour that takes most of it.
struct UplinkResult {
    std::string hour;
    double down_share = 0, up_share = 0;  ///< of what it carries; 0 where nothing is told of it
    double allowed = 0;
    double share() const { return std::max(down_share, up_share); }
    bool met() const { return share() <= allowed + 1e-9; }
};

struct FloorArea : Area {
    FloorId floor;
};
struct ZoneArea : Area {
    FloorId floor;
    ZoneId zone;
};

/// All requirements of one band together: a cell counts as met where each that applies there holds.
struct BandResult : Area {
    BandId band;
    double share_required = 0;  ///< the highest of the band's requirements
    std::vector<FloorArea> floors;
    std::vector<ZoneArea> zones;
};

/// How a share stands to what is required: short of it by less than one percent point is near.
enum class Outcome { met, near, not_met };
Outcome outcome(double share_met, double share_required);

/// A floor too large for the grid that was asked for: it is predicted and judged on a coarser one.
struct CoarseFloor {
    FloorId floor;
    double cell_m;
};

struct Verdict {
    std::size_t floors_judged = 0,
                floors_all = 0;  ///< the first is less while the others are still worked out
    bool complete() const { return floors_judged == floors_all; }
    double grid_m = 0;                ///< as asked for
    std::vector<CoarseFloor> coarse;  ///< floors that are judged on a coarser one
    /// Area that anything is asked of, over all floors and bands; 0: there is nothing to judge.
    double demanded_m2() const;
    std::vector<RequirementResult> requirements;  ///< of the sets that are on, in their order
    std::vector<BandResult> bands;                ///< those with requirements
    std::vector<FloorArea> floors;                ///< all requirements of all bands together
    std::vector<ZoneArea> zones;                  ///< the same by zone
    std::optional<UplinkResult> uplink;           ///< where a circuit is told and somebody asks for it
    /// Every requirement that asks about an area, or about somebody who is there, and the uplink; false when
    /// there is none.
    bool met() const;
    /// How many of them do not hold.
    int not_met() const;
    const BandResult* find(BandId) const;
    const FloorArea* find(FloorId) const;
    const RequirementResult* find(RequirementId) const;
};

/// A requirement in force counts clients or radios.
bool asks_about_capacity(const Verdict&);
/// Of those that ask about somebody the one that is furthest from being met; null where there is none.
const RequirementResult* hardest_of_capacity(const Verdict&);

/// Bands that radios are on in and that no requirement in force asks about: a verdict says nothing of them.
BandSet bands_not_judged(const Project&);

/// "Signal, 5 and 6 GHz"; "Signal, 5 or 6 GHz" where one band is enough.
Said requirement_name(const Requirement&);
/// What predictions need to have so that every requirement can be judged.
PredictionWish wish_to_judge(const Project&);
/// Why nothing can be judged, as a sentence with what to do; empty where something is.
Said lacks_to_judge(const Project&, const Verdict&);
/// `site` must hold every floor that counts. Throws Error for a requirement whose lens is unknown.
Verdict judge(const Project&, const SitePrediction&);

/// Judges a site floor by floor, so that one floor's fields at a time have to be in memory.
class SiteJudge {
public:
    explicit SiteJudge(const Project&);
    /// Each floor once.
    void add(const FloorPrediction& p) { add(part(p)); }
    /// What one floor adds, for add().
    Verdict part(const FloorPrediction&) const;
    void add(const Verdict& part);
    /// Of the floors so far.
    const Verdict& verdict() const { return verdict_; }

private:
    Project project_;
    Verdict nothing_, verdict_;
};

}  // namespace yemvo
