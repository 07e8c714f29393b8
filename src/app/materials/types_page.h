// SPDX-License-Identifier: GPL-3.0-or-later
// Materials and wall types: looked up, composed, compared, replaced, exchanged.
#pragma once
#include <QWidget>
#include <vector>

#include "app/asking/asking.h"
#include "app/model/workspace.h"

class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;
class QScrollArea;
class QTableWidget;
class QComboBox;

namespace yemvo::app {

class Form;
class TypePlot;

class TypesPage : public QWidget {
    Q_OBJECT
public:
    TypesPage(Workspace&, Asking&, QWidget* parent = nullptr);
    /// 0: the one shown last, else the first.
    void show_type(WallTypeId);
    WallTypeId shown() const { return shown_; }

signals:
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;

private:
    QWidget* make_list();
    QWidget* make_middle();
    QWidget* make_right();
    void refresh();
    void fill_list();
    void rebuild_form();
    void add_identity(Form*);
    void add_told_by(Form*);
    void add_losses(Form*);
    void add_layers(Form*);
    void add_bounds(Form*);
    void take(const std::function<void()>& typed);
    void take_losses(const QTableWidget*);
    void take_layers(const QTableWidget*);
    void fill_uses();
    const WallType* type() const;
    void change(const QString& label, const std::function<void(WallType&)>& how);
    void make_new(bool as_copy);
    void remove();
    void replace();
    void read_file();
    void write_file();
    void keep_personal();
    void take_personal();
    void add_types(const std::vector<WallType>&, const QString& from);
    Workspace& workspace_;
    Asking& asking_;
    WallTypeId shown_;
    QString form_shape_;
    Shared<std::vector<WallType>> listed_;
    QLineEdit* search_;
    QListWidget* list_;
    QScrollArea* middle_;
    Form* form_ = nullptr;
    TypePlot *by_frequency_, *by_angle_;
    QLabel* uses_;
    QListWidget* places_;
    QComboBox* other_;
    QPushButton *replace_, *remove_;
};

/// The file of types that a person keeps beside all projects.
QString personal_types_file();

}  // namespace yemvo::app
