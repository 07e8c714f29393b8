// SPDX-License-Identifier: GPL-3.0-or-later
// Models of access points and antennas: found, changed, made from a sheet, exchanged.
#pragma once
#include <QWidget>

#include "antenna/pattern/cuts.h"
#include "app/asking/asking.h"
#include "app/gear/gear_list.h"
#include "app/gear/model_form.h"
#include "app/model/workspace.h"

class QComboBox;
class QLabel;
class QPushButton;
class QScrollArea;

namespace yemvo {
struct GearLibrary;
struct PatternFile;
}  // namespace yemvo

namespace yemvo::app {

class Form;
class LobeSide;

class GearPage : public QWidget {
    Q_OBJECT
public:
    GearPage(Workspace&, Asking&, QWidget* parent = nullptr);
    /// None: what was shown last, else the first model.
    void show_gear(GearId);
    GearId shown() const { return shown_; }
    /// The lobe shown becomes a measured one.
    void take_pattern(const QString& name, const PatternCuts&, double gain_dbi);
    /// `from`: what the file is called.
    void take_pattern_file(const PatternFile&, const QString& from);

signals:
    void left();
    /// The plan's tool places this model from now on.
    void place(yemvo::ModelId);
    /// The file has charts for the antenna that is shown.
    void chart(const QString& file, const yemvo::PatternCuts& now);
    /// The file has a pattern for it; `frequency_mhz`: of the band that is shown.
    void pattern_file(const QString& file, double frequency_mhz);

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_list();
    QWidget* make_middle();
    void refresh();
    void rebuild_form();
    void choose_band(ShownBand);
    void show_lobe();
    void fill_uses();
    const AccessPointModel* model() const;
    const AntennaModel* antenna() const;
    /// In the band shown.
    const Antenna* lobe() const;
    BandId band_shown() const;
    void change_model(const QString& label, const std::function<void(AccessPointModel&)>& how);
    void change_antenna(const QString& label, const std::function<void(AntennaModel&)>& how);
    void change_lobe(const QString& label, const std::function<void(Antenna&)>& how);
    void make_new(bool antenna);
    void copy();
    void remove();
    void replace();
    void ask_for_pattern();
    void ask_for_chart();
    void read_file();
    void write_file();
    void write_pattern();
    void keep_personal();
    void take_personal();
    void add_library(const GearLibrary&, const QString& from);
    Workspace& workspace_;
    Asking& asking_;
    GearId shown_;
    ShownBand band_;
    QString form_shape_;
    GearList* list_;
    QScrollArea* middle_;
    Form* form_ = nullptr;
    LobeSide* side_;
    QLabel* uses_;
    QWidget* replacing_;
    QComboBox* other_;
    QPushButton *replace_, *remove_, *place_;
};

/// The file of gear that a person keeps beside all projects.
QString personal_gear_file();

}  // namespace yemvo::app
