from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("people", "0001_initial")]

    operations = [
        migrations.AddField(model_name="person", name="sign_outs", field=models.PositiveIntegerField(default=0)),
    ]
