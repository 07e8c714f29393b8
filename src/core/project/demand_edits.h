// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of what is said once for the whole site about its demand.
#pragma once
#include "project/project.h"

namespace yemvo {

/// Each gives the key of what was added, made of its name. Throws Error where the name is empty or there are
/// too many.
std::string add_busy_hour(Project&, const std::string& name);
std::string add_application(Project&, Application);
std::string add_client(Project&, ClientProfile);
std::string add_network(Project&, Network);

void rename_busy_hour(Project&, const std::string& key, const std::string& name);
/// With what zones say of it. Throws Error for the last one.
void remove_busy_hour(Project&, std::string key);
/// In place of the one with its key; nothing where there is none.
void replace_application(Project&, const Application&);
void replace_client(Project&, const ClientProfile&);
void replace_network(Project&, const Network&);
/// Throws Error where a zone, or the site's settings, still name it.
void remove_application(Project&, std::string key);
void remove_client(Project&, std::string key);
/// Zones that use it use any then; radios that do not carry it forget it.
void remove_network(Project&, std::string key);

}  // namespace yemvo
