// SPDX-License-Identifier: GPL-3.0-or-later
// Who is in a zone, as rows of its form.
#pragma once
#include "base/id.h"

namespace yemvo::app {

class Form;
class Workspace;

void demand_rows(Form&, Workspace&, ZoneId);

}  // namespace yemvo::app
