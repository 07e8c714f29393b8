// SPDX-License-Identifier: GPL-3.0-or-later
// What a person sets for all projects: dark or light, how large text is, how much is kept in memory.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class SettingsFeature : public Feature {
    Q_OBJECT
public:
    explicit SettingsFeature(Shell&);

private:
    void offer_text_sizes(QMenu*);
    void offer_memory(QMenu*);
    /// 0 stands for what the machine suggests.
    void keep_up_to(int mb);
};

}  // namespace yemvo::app
