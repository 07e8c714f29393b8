// SPDX-License-Identifier: GPL-3.0-or-later
// Turn, mirror, repeat, offset, copy to floors, group: for what is selected, as a group of a form.
#pragma once

namespace yemvo::app {

class Form;
class Workspace;

void arrange_group(Form&, Workspace&);

}  // namespace yemvo::app
