// SPDX-License-Identifier: GPL-3.0-or-later
// By how much each place of a floor keeps a requirement.
#pragma once
#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "coverage/lens_map.h"
#include "project/project.h"

namespace yemvo {

/// Cells of a floor that are asked about, those of one zone together.
struct AskedCells {
    struct Range {
        std::size_t zone;  ///< index + 1 into the floor's zones; 0: in none
        std::size_t begin, end;
    };
    std::vector<std::uint32_t> cells;  ///< by Surface::index
    std::vector<Range> zones;          ///< none of them empty
};
AskedCells by_zone(const std::vector<std::uint8_t>& asked, const CellMask&);
/// What a set asks about on a floor; kept with the prediction.
std::shared_ptr<const AskedCells> asked_cells(const RequirementSet&, const Floor&, const FloorPrediction&);

/// Below 0 the limit is missed, in the lens's unit; a value for each cell asked about.
struct Margins {
    std::vector<float> margin;
    std::vector<std::uint8_t> band;  ///< index of the band that decides
};

/// The margins of one floor. Throws Error for a lens that cannot be required.
class FloorMargins {
public:
    FloorMargins(const Project& project, const FloorPrediction& floor) : project_(project), floor_(floor) {}

    /// In one band.
    void in(const Requirement&, BandId, const std::vector<std::uint32_t>& cells, std::vector<float>& out);
    /// The worst of its bands, or the best where one is enough; `each` gets what the bands have by
    /// themselves, in their order. What is given is used again: memory that is fresh for each costs more than
    /// the work.
    void over_bands(const Requirement&, const std::vector<std::uint32_t>& cells, Margins& out,
                    std::vector<std::vector<float>>& each);

private:
    const Project& project_;
    const FloorPrediction& floor_;
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
