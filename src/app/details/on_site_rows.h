// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/id.h"

namespace yemvo::app {

class Form;
class Workspace;

/// What the site calls an access point, how far it has come, which unit hangs there.
void on_site_rows(Form&, Workspace&, AccessPointId);

}  // namespace yemvo::app
