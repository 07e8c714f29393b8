// SPDX-License-Identifier: GPL-3.0-or-later
// The forms of the gear page: a model of access points, an external antenna.
#pragma once
#include <functional>

#include "gear/antenna_model.h"
#include "gear/model.h"

class QString;
class QWidget;

namespace yemvo::app {

class Form;
class Workspace;

template <class Thing>
struct ThingAccess {
    std::function<const Thing&()> get;
    std::function<void(const QString& label, const std::function<void(Thing&)>& how)> change;
};

/// Which radio and which of its bands is shown; of an antenna the band alone.
struct ShownBand {
    std::size_t radio = 0, band = 0;
    friend bool operator==(const ShownBand&, const ShownBand&) = default;
};

/// Where a pattern can come from; each asks for a file.
struct PatternSources {
    std::function<void()> file, chart;
};

/// `choose`: another radio or band is to be shown. `sources`: for the band shown.
Form* model_form(Workspace&, const ThingAccess<AccessPointModel>&, ShownBand,
                 const std::function<void(ShownBand)>& choose, const PatternSources& sources);
QString form_shape(const AccessPointModel&, ShownBand);

Form* antenna_form(Workspace&, const ThingAccess<AntennaModel>&, ShownBand,
                   const std::function<void(ShownBand)>& choose, const PatternSources& sources);
QString form_shape(const AntennaModel&, ShownBand);

}  // namespace yemvo::app
