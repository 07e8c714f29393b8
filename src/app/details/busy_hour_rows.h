// SPDX-License-Identifier: GPL-3.0-or-later
// What an access point has at the busy hour, and which networks it carries, as rows of its form.
#pragma once
#include "base/id.h"

namespace yemvo::app {

class Form;
class Workspace;

void busy_hour_rows(Form&, Workspace&, AccessPointId);
void network_rows(Form&, Workspace&, AccessPointId);

}  // namespace yemvo::app
