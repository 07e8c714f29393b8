// Whether the requirements hold, where and by how much.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "coverage/lens_map.h"
#include "coverage/site_prediction.h"

namespace yemvo {

struct Worst {
    Point place;
    double value;
};

/// Areas are in m2; a floor where nothing is demanded has none and no share.
struct FloorResult {
    FloorId floor;
    double demanded_m2 = 0, met_m2 = 0;
    std::optional<Worst> worst;
    double share_met() const { return demanded_m2 > 0 ? met_m2 / demanded_m2 : 1; }
};

struct RequirementResult {
    Requirement requirement;
    double demanded_m2 = 0, met_m2 = 0;
    std::vector<FloorResult> floors;  ///< those with demanded area
    double share_met() const { return demanded_m2 > 0 ? met_m2 / demanded_m2 : 0; }
    bool met() const { return demanded_m2 > 0 && share_met() >= requirement.share_required - 1e-9; }
};

/// All requirements of one band together: a cell counts as met where each that applies there holds.
struct BandResult {
    BandId band;
    double demanded_m2 = 0, met_m2 = 0;
    double share_required = 0;  ///< the highest of the band's requirements
    double share_met() const { return demanded_m2 > 0 ? met_m2 / demanded_m2 : 0; }
};

/// How a share stands to what is required: short of it by less than one percent point is near.
enum class Outcome { met, near, not_met };
Outcome outcome(double share_met, double share_required);

struct ZoneResult {
    ZoneId zone;
    double demanded_m2 = 0, met_m2 = 0;
};

struct Verdict {
    std::vector<RequirementResult> requirements;
    std::vector<BandResult> bands;    ///< those with requirements
    std::vector<FloorResult> floors;  ///< all requirements of all bands together
    std::vector<ZoneResult> zones;    ///< the same by served zone
    bool met() const;                 ///< every requirement; false when there is none
    const BandResult* find(BandId) const;
    const FloorResult* find(FloorId) const;
};

/// What a requirement looks at: its lens and bands, the site's client, the signal asked for there.
LensChoice choice_of(const Project&, const Requirement&);
/// The highest signal that a requirement asks for in one of the bands; -67 dBm where none does.
double signal_asked_dbm(const Project&, BandSet);
/// Whether some requirement needs predictions with their deviation.
bool needs_deviation(const Project&);

/// `site` must hold every floor that counts. Throws Error for a requirement whose lens is unknown.
Verdict judge(const Project&, const SitePrediction&);

}  // namespace yemvo
