// By how much each place of a floor keeps a requirement.
#pragma once
#include <cstdint>
#include <map>
#include <string>
#include <vector>

#include "coverage/lens_map.h"
#include "project/project.h"

namespace yemvo {

/// Below 0 the limit is missed, in the lens's unit; a value a cell.
struct Margins {
    std::vector<float> margin;
    std::vector<std::uint8_t> band;  ///< index of the band that decides
};

/// The values of one floor, worked out once a lens and band. Throws Error for a lens that cannot be required.
class FloorMargins {
public:
    FloorMargins(const Project& project, const FloorPrediction& floor) : project_(project), floor_(floor) {}

    /// In one band.
    Margins in(const Requirement&, BandId);
    /// The worst of its bands, or the best where one is enough.
    Margins over_bands(const Requirement&);

private:
    const std::vector<float>& values(const Requirement&, BandId);
    const Project& project_;
    const FloorPrediction& floor_;
    std::map<std::pair<std::string, int>, std::vector<float>> kept_;
};

/// What counts where no radio is heard: far below any limit, or nothing to take turns with.
double value_of_nothing(const LensInfo&);
/// The lens of a requirement; throws Error where there is none of that name or it is no amount.
const LensInfo& required_lens(const Requirement&);
/// What a requirement looks at in these bands: its lens, the site's client, the signal asked for there.
LensChoice choice_of(const Project&, const Requirement&, BandSet);
/// The highest signal that a requirement in force asks for in one of the bands; -67 dBm where none does.
double signal_asked_dbm(const Project&, BandSet);
/// The cells that a set asks about on a floor, 1 each.
std::vector<std::uint8_t> asked_cells(const RequirementSet&, const Floor&, const CellMask&);

}  // namespace yemvo
