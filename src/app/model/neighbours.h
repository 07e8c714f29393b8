// SPDX-License-Identifier: GPL-3.0-or-later
// What was heard, put down on the plan.
#pragma once
#include <QString>
#include <vector>

#include "project/project.h"

namespace yemvo {
struct HeardAir;
}

namespace yemvo::app {

class Workspace;

/// By its name: pcap, pcapng.
bool is_capture(const QString& file);

/// A capture's radios at a place of the floor in view; the plan's own are told from others by the prediction,
/// where there is one.
std::vector<Neighbour> heard_at(const Workspace&, Point, const HeardAir&);

/// A new listening place on the floor in view, selected. `name`: of the file; empty: a name that is free.
void add_listening_place(Workspace&, Point, std::vector<Neighbour>, const QString& name);

/// What is heard takes the place of entries with the same address and band, and is added else.
void add_heard(Workspace&, ListeningPlaceId, std::vector<Neighbour>);

/// "Loft", "hidden name"
QString neighbour_name(const Neighbour&);

}  // namespace yemvo::app
