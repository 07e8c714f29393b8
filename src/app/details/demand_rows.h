// SPDX-License-Identifier: GPL-3.0-or-later
// Who is in a zone, or what the devices of a row do, as rows of its form.
#pragma once

namespace yemvo {
struct Item;
}

namespace yemvo::app {

class Form;
class Workspace;

void demand_rows(Form&, Workspace&, const Item&);
/// What several zones, or several rows of devices, have in common; nothing where something else is among
/// them.
void several_demand_rows(Form&, Workspace&);

}  // namespace yemvo::app
