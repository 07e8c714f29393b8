// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <functional>
#include <string>

#include "project/item.h"

namespace yemvo::app {

class Form;
class Workspace;

/// A photo that belongs to a thing: shown, chosen from a file, dropped. `get`: the asset's name.
void photo_rows(Form&, Workspace&, const Item&, std::function<std::string()> get, std::function<void()> drop);

}  // namespace yemvo::app
