// SPDX-License-Identifier: GPL-3.0-or-later
// Antennas, patterns and cables as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "gear/antenna_model.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_antenna(const Antenna&);
Antenna read_antenna(const Reader&);
Json write_antenna_model(const AntennaModel&);
AntennaModel read_antenna_model(const Reader&);  ///< the id may be absent
Json write_cable(const CableType&);
CableType read_cable(const Reader&);
/// The fields of a body stand among those of its owner; those that are not told are left out.
void write_body(const Body&, Json& owner);
Body read_body(const Reader& owner);

}  // namespace yemvo
