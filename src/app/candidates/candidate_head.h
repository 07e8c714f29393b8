// SPDX-License-Identifier: GPL-3.0-or-later
// Over the map of a candidate: what it is, and how it is set.
#pragma once
#include <QFrame>
#include <functional>

#include "project/project.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace yemvo::app {

class UnitField;

class CandidateHead : public QFrame {
    Q_OBJECT
public:
    CandidateHead(int number, QWidget* parent = nullptr);
    void show_candidate(const Project&, const AccessPoint&, BandId shown, bool chosen, bool removable);

signals:
    void model_chosen(yemvo::ModelId);
    /// A change of the candidate as it is then.
    void changed(const std::function<void(yemvo::AccessPoint&)>&);
    void removed();

private:
    void fill_models(const Project&, const AccessPoint&);
    void fill_radios(const AccessPoint&);
    void fill_antennas(const Project&, const AccessPoint&, BandId shown);
    void fill_sources(const Project&, const AccessPoint&);
    int number_;
    QLabel* badge_;
    QComboBox *model_, *antenna_, *source_;
    UnitField* power_;
    QPushButton* remove_;
    QWidget* radios_;
    std::vector<QPushButton*> chips_;
    std::size_t radio_ = 0;
    PowerRange range_;
};

}  // namespace yemvo::app
