// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace yemvo::app {

class Form;
class Workspace;

/// How cables are counted, and what they may be: of the whole project.
Form* counting_form(Workspace&);

}  // namespace yemvo::app
