// SPDX-License-Identifier: GPL-3.0-or-later
// Setting radios to other channels by hand, from wherever that is asked for.
#pragma once
#include <QString>
#include <optional>
#include <utility>
#include <vector>

#include "capacity/heard.h"
#include "tuning/permits.h"

namespace yemvo::app {

class Workspace;

/// A radio where it hangs; the pointers last as long as the project's value.
struct RadioHere {
    const Floor* floor;
    const AccessPoint* ap;
    std::size_t radio;
    yemvo::Place place;
    const Radio& set() const { return ap->radios[radio]; }
};
/// None where it is gone.
std::optional<RadioHere> radio_here(const Workspace&, const RadioRef&);

/// What it could be set to where it hangs. `any`: whatever the standard knows and its model can do, permitted
/// or not.
std::vector<OpenChannel> channels_for(const Workspace&, const RadioHere&, bool any = false);

struct Tuned {
    RadioRef radio;
    Channel channel;
    int primary;
};
/// One edit; nothing where all are so already. False where it was refused.
bool tune(Workspace&, const std::vector<Tuned>&, int merge_key = 0);
/// Locks the settings of radios, or lets go of them when all are locked.
void toggle_locked(Workspace&, const std::vector<RadioRef>&);

}  // namespace yemvo::app
