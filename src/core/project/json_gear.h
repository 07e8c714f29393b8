// SPDX-License-Identifier: GPL-3.0-or-later
// Models, access points and client profiles as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "gear/access_point.h"
#include "gear/client.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_model(const AccessPointModel&);
AccessPointModel read_model(const Reader&);  ///< the id may be absent
Json write_access_point(const AccessPoint&);
AccessPoint read_access_point(const Reader&);
Json write_client(const ClientProfile&);
ClientProfile read_client(const Reader&);

}  // namespace yemvo
