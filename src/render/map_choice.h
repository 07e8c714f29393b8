// SPDX-License-Identifier: GPL-3.0-or-later
// What the map shows, and how its values become steps of colour; map, legend, export and command line ask the
// same.
#pragma once
#include <QColor>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "coverage/lens_map.h"
#include "coverage/site_prediction.h"
#include "render/palette.h"

namespace yemvo::render {

/// What the map is held against.
enum class Against { nothing, last_edit, variant, proposal };

/// What the map shows.
struct MapChoice {
    LensId lens = LensId::signal;
    BandSet bands = band_5;  ///< several: the best of them
    double threshold = -67;
    std::vector<AccessPointId> only = {};  ///< whose radios; empty: all
    bool smooth = false;                   ///< colours run over instead of in steps
    double opacity = 1;
    bool labels = false;                      ///< figures on the map, for print
    Against against = Against::nothing;       ///< the map shows by how much it changed; of amounts only
    bool other_itself = false;                ///< the values of what it is held against instead
    VariantId other = {};                     ///< the variant it is held against
    std::optional<LensColours> colours = {};  ///< of its lens, where they are not as usual
    friend bool operator==(const MapChoice&, const MapChoice&) = default;
    bool is_change() const {
        return against != Against::nothing && !other_itself && !yemvo::lens(lens).is_choice();
    }
    /// Something else than the plan is looked at as well.
    bool needs_other() const { return is_change() || (against != Against::nothing && other_itself); }
};

/// How values become steps of colour.
struct MapScale {
    double low, step;
    int steps;  ///< twelve; of a change eleven, the middle one for what hardly changed
    bool more_is_better;
    bool is_choice, is_change;
    bool is_count;     ///< of things: nothing lies between two values
    double threshold;  ///< of a change: where it begins to be worse
    std::string unit;
    std::string palette = "colour";
    double high() const { return low + steps * step; }
    int step_of(double value) const;
    QColor colour(const Palette&, int step) const;
};
MapScale scale_of(const MapChoice&);
/// How a lens is coloured while nobody chose otherwise, and how the project has it.
LensColours usual_colours(const LensInfo&);
LensColours colours_of(const Project&, const LensInfo&);
/// The same choice coloured as the project has it.
MapChoice coloured(MapChoice, const Project&);
/// Keys and names of the palettes.
const std::vector<std::pair<std::string, std::string>>& palettes();

/// What that asks of a floor: for the project's client, against the signal that its requirements ask for.
LensChoice look_of(const Project&, const MapChoice&);

/// "Signal, 5"; of what is none of the radios' without bands.
QString map_name(const MapChoice&);

/// Colour of a step of the lens's range.
QColor step_colour(const Palette&, const LensInfo&, double value);
/// What a map of that choice paints: the lens's values, by how much they changed against `other` (its project
/// with it), or those of `other` itself; empty while that is missing. Of a proposal the change is what it
/// would bring.
std::vector<float> map_values(const Project&, const FloorPrediction&, const MapChoice&,
                              const Project* other_project, const FloorPrediction* other);
/// Which of the six tints each access point's area takes in the serving lens, so that areas that meet differ
/// wherever six tints can do it.
std::map<int, std::size_t> serving_tints(const Surface&, const std::vector<float>& values);

/// The colour of each value of a lens that is a choice: tints that differ where areas meet, or the bands'
/// own.
std::map<int, QColor> choice_colours(LensId, const Surface&, const std::vector<float>& values,
                                     const Palette&);

}  // namespace yemvo::render
